<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\ShapiroWilk;
use Sitzplatz\Statistics\SkewedMean;
use Sitzplatz\Statistics\WeibullTolerance;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\UsualPlan;

/**
 * Pulls against their limit: each by itself, by their middle, by their mean, or by the value that nine parts in ten clear. Clear
 * when the decisive bound is on the right side at a look of the plan, missed when the other bound is on the wrong one. What was
 * decided at a look stands, whatever comes after it.
 *
 * Half a step of the scale is taken off the decisive bound and the spread is at least what the step hides, w/√12: readings
 * in steps of the order of their spread would otherwise say "above" far too often (references, "Looking more than once").
 * A scale that showed a known weight wrongly may be wrong as much here: the bounds reach as far (a common error does not
 * average out, JCGM 100). How well it repeats is in the scatter of the readings already, and not counted again.
 * Lower bounds (the part broke, the scale was at its end) shrink the spread of capped readings, so where there are any what is
 * said has to be shown by counting too: at the same look, that enough of the readings are beyond the limit for certain.
 * Of the mean the least of three bounds decides ({@see SkewedMean}), of nearly all the lesser of a normal and a Weibull one.
 * Readings that do not scatter evenly are not judged by a figure that hides it.
 */
final readonly class ValueAgainstLimit
{
    /** A scatter this unlikely to be even is not taken for even. */
    private const UNEVEN_P = 0.01;
    /** Fewer say nothing of how they scatter, and a tie of two would be taken for much. */
    private const EVEN_FROM = 5;
    /** Below so many steps of the scale, its steps would be taken for unevenness. */
    private const STEPS_IN_SPREAD = 2.0;

    private function __construct(
        public Answer $clears,
        public PullRule $rule,
        /** Readings, or pulls that have their place, those beyond the plan left out. */
        public int $n,
        /** The bounds at the last look, of what the rule is about; null: there was none, it counts, or lower bounds stand against it. */
        public ?float $lower,
        public ?float $upper,
        /** Readings after which it was decided. */
        public ?int $decidedAt,
        /** Weak or strong ones among them: the figure would hide it. */
        public bool $uneven,
        /** Lower bounds among the readings. */
        public int $censored,
        /** How many clear the limit for certain: all that is counted, and what has to be shown where there are lower bounds. */
        public ShareAgainstRequired $counted,
        /** The share of which that count asks. */
        public float $share,
    ) {
    }

    /**
     * @param list<UnitValue>       $values   in the order of the looks
     * @param bool                  $atLeast  whether the limit is a lower one
     * @param float                 $share    that has to clear the limit, where the rule is about it
     * @param list<RunOutcome>|null $outcomes where it is counted: of all units that were to be pulled; null: of the values alone
     */
    public static function of(
        array $values,
        float $limit,
        bool $atLeast,
        PullRule $rule,
        Design $design,
        int $planned,
        int $most,
        float $share = UsualPlan::SHARE,
        float $error = ProofPlan::ERROR,
        ?array $outcomes = null,
    ): self {
        $share = $rule->share($share);
        if (!$rule->counts() || null === $outcomes) {
            $outcomes = array_map(static fn (UnitValue $each): RunOutcome => $each->against($limit, $atLeast), $values);
        }
        $values = \array_slice($values, 0, max(0, $most));
        $counted = ShareAgainstRequired::of($outcomes, $share, $design, $planned, $most, null, $error);
        $censored = \count(array_filter($values, static fn (UnitValue $each): bool => $each->atLeast));

        return $rule->counts()
            ? new self($counted->reached, $rule, $counted->runs, null, null, $counted->decidedAt, false, $censored, $counted, $share)
            : self::byBounds($values, $limit, $atLeast, $rule, Bounds::of($rule, $design, $planned, $most, $error), $counted, $share, $censored);
    }

    /**
     * As a plan has it.
     *
     * @param list<UnitValue>       $values   in the order of the looks
     * @param bool                  $hold     whether the limit is a lower one, which a part has to hold
     * @param list<RunOutcome>|null $outcomes as above
     */
    public static function ofPlan(array $values, float $limit, bool $hold, PullRule $rule, ProofPlan $plan, ?array $outcomes = null): self
    {
        $planned = $plan->planned($hold, true);

        return self::of($values, $limit, $hold, $rule, $plan->design, $planned, $plan->most($planned), $plan->share, $plan->error, $outcomes);
    }

    /** Those that clear the limit for certain. */
    public function clearing(): int
    {
        return $this->counted->passed();
    }

    /** @param list<UnitValue> $values */
    private static function byBounds(
        array $values,
        float $limit,
        bool $atLeast,
        PullRule $rule,
        Bounds $bounds,
        ShareAgainstRequired $counted,
        float $share,
        int $censored,
    ): self {
        $sign = $atLeast ? 1 : -1;
        $logs = PullRule::MiddleOfLogs === $rule;
        $at = static fn (UnitValue $each): float => $logs ? log(self::aboveNought($each)) : $each->value;
        $first = [] === $values ? 0.0 : $at($values[0]);
        $n = $bound = 0;
        $least = $greatest = 1.0;
        $sum = $squares = $cubes = $step = 0.0;
        $answer = Answer::NotYet;
        $lower = $upper = $decidedAt = null;
        $uneven = false;
        $looks = array_keys($bounds->below);
        $last = [] === $looks ? 0 : min(\count($values), max($looks));
        foreach ($values as $value) {
            ++$n;
            $bound += $value->atLeast ? 1 : 0;
            $step = max($step, $value->step);
            [$least, $greatest] = [min($least, $value->gain), max($greatest, $value->gain)];
            // Sums of what exceeds the first reading: equal readings have no spread at all, rather than one of rounding.
            $beyond = $sign * ($at($value) - $first);
            $sum += $beyond;
            $squares += $beyond * $beyond;
            $cubes += $beyond ** 3;
            if (!isset($bounds->below[$n])) {
                continue;
            }
            $mean = $sign * $first + $sum / $n;
            // What the step hides, on logarithms as a share of the middle.
            $hidden = $step / sqrt(12) / ($logs ? exp($sign * $mean) : 1.0);
            $sd = max(sqrt(max(0.0, ($squares - $sum * $sum / $n) / ($n - 1))), $hidden);
            [$low, $high] = [$mean - $bounds->below[$n] * $sd / sqrt($n), $mean - $bounds->above[$n] * $sd / sqrt($n)];
            if (PullRule::Mean === $rule) {
                $skewness = SkewedMean::skewness($n, $sum, $squares, $cubes);
                $low = SkewedMean::lower($n, $mean, $sd, $skewness, $bounds->below[$n]);
                $high = -SkewedMean::lower($n, -$mean, $sd, -$skewness, -$bounds->above[$n]);
            }
            if ($logs) {
                [$low, $high] = [$sign * exp($sign * $low), $sign * exp($sign * $high)];
            }
            if (PullRule::NearlyAll === $rule && 0 === $bound && ($n === $last || $low >= $sign * $limit || $high < $sign * $limit)) {
                [$low, $high] = self::withWeibull(\array_slice($values, 0, $n), $atLeast, $bounds, $step, $low, $high);
            }
            [$low, $high] = [$low - $step / 2, $high + $step / 2];
            $low = min($low * $least, $low * $greatest);
            $high = max($high * $least, $high * $greatest);
            $side = match (true) {
                $low >= $sign * $limit => Answer::Yes,
                $high < $sign * $limit => Answer::No,
                default => null,
            };
            [$lower, $upper] = $atLeast ? [$low, $bound > 0 ? null : $high] : [-$high, $bound > 0 ? null : -$low];
            // What is read "at least" may be anything above: nothing that rests on it can be said to stay below, and that it
            // lies above has to be shown by counting.
            if (null === $side || $bound > 0 && (($atLeast ? Answer::Yes : Answer::No) !== $side
                || $counted->reached !== $side || null === $counted->decidedAt || $counted->decidedAt > $n)) {
                continue;
            }
            $uneven = self::isUneven(\array_slice($values, 0, $n), $at, $sign * (Answer::Yes === $side ? -1 : 1), $sd, $logs ? 0.0 : $step);
            if (!$uneven) {
                [$answer, $decidedAt] = [$side, $n];
                break;
            }
        }

        return new self($answer, $rule, \count($values), $lower, $upper, $decidedAt, $uneven, $censored, $counted, $share);
    }

    /** A pull of nothing is read as the step of its scale: it was less than that. */
    public static function aboveNought(UnitValue $value): float
    {
        return max($value->value, $value->step > 0 ? $value->step : UsualPlan::SCALE_STEP_N);
    }

    /**
     * The further one of either bound, for both laws.
     *
     * @param list<UnitValue> $values
     *
     * @return array{float, float} negative for an upper limit, as the given ones
     */
    private static function withWeibull(array $values, bool $atLeast, Bounds $bounds, float $step, float $low, float $high): array
    {
        $n = \count($values);
        try {
            $weibull = WeibullTolerance::of(array_map(static fn (UnitValue $each): float => $each->value, $values), $atLeast, $step / sqrt(12));
        } catch (InvalidArgument) {
            // A pull of nothing: a law of values above 0 has no bound but that.
            return $atLeast ? [min($low, 0.0), $high] : [$low, max($high, 0.0)];
        }
        [$below, $above] = [$bounds->level($n, true), $bounds->level($n, false)];

        return $atLeast
            ? [min($low, $weibull->lower($below)), max($high, $weibull->upper($above))]
            : [min($low, -$weibull->upper($below)), max($high, -$weibull->lower($above))];
    }

    /**
     * Whether the readings have a tail on the side that would make the bound say too much (Shapiro & Wilk 1965, and the
     * side by the third moment).
     *
     * @param list<UnitValue>            $values
     * @param \Closure(UnitValue): float $at     as they are judged
     * @param int                        $tail   −1: towards low readings
     */
    private static function isUneven(array $values, \Closure $at, int $tail, float $sd, float $step): bool
    {
        $exact = [];
        foreach ($values as $value) {
            if (!$value->atLeast) {
                $exact[] = $at($value);
            }
        }
        if (\count($exact) < self::EVEN_FROM || $sd < self::STEPS_IN_SPREAD * $step) {
            return false;
        }
        $sample = new Sample($exact);
        if ((float) $sample->sd <= 0) {
            return false;
        }
        $third = 0.0;
        foreach ($exact as $value) {
            $third += ($value - (float) $sample->mean) ** 3;
        }

        return $third * $tail > 0 && ShapiroWilk::of($sample)->p < self::UNEVEN_P;
    }
}
