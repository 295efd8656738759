<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\ShapiroWilk;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;

/**
 * Pulls against their limit: by their mean, or by the value that nine parts in ten clear. Clear when the decisive bound is
 * on the right side at a look of the plan, missed when the other bound is on the wrong one.
 *
 * Half a step of the scale is taken off the decisive bound and the spread is at least what the step hides, w/√12: readings
 * in steps of the order of their spread would otherwise say "above" far too often (references, "Looking more than once").
 * A scale that showed a known weight wrongly may be wrong as much here: the bounds reach as far (a common error does not
 * average out, JCGM 100). How well it repeats is in the scatter of the readings already, and not counted again.
 * Lower bounds are taken for what they at least are: they can show that a limit is cleared from below, not that it is kept.
 * Readings that do not scatter evenly are not judged by a mean that hides it.
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
        public Criterion $criterion,
        /** Readings, those beyond the plan left out. */
        public int $n,
        /** The bounds at the last look, of what the criterion is about; null: there was none, or lower bounds stand against it. */
        public ?float $lower,
        public ?float $upper,
        /** Readings after which it was decided. */
        public ?int $decidedAt,
        /** Weak or strong ones among them: the mean would hide it. */
        public bool $uneven,
        /** Lower bounds among the readings. */
        public int $censored,
        /** Readings that clear the limit for certain. */
        public int $clearing,
    ) {
    }

    /**
     * @param list<UnitValue> $values  in the order of the runs
     * @param bool            $atLeast whether the limit is a lower one
     */
    public static function of(array $values, float $limit, bool $atLeast, Criterion $criterion, Design $design, int $planned, int $most): self
    {
        $values = \array_slice($values, 0, max(0, $most));
        $clearing = \count(array_filter(
            $values,
            static fn (UnitValue $each): bool => $atLeast ? $each->low() >= $limit : !$each->atLeast && $each->high() <= $limit,
        ));
        $censored = \count(array_filter($values, static fn (UnitValue $each): bool => $each->atLeast));
        if (Criterion::NearlyAll === $criterion && $censored > 0) {
            return self::withoutDistribution($values, $limit, $atLeast, $design, $planned, $most, $censored, $clearing);
        }
        $bounds = Bounds::of($criterion, $design, $planned, $most);
        $sign = $atLeast ? 1 : -1;
        $first = $values[0]->value ?? 0.0;
        $n = $bound = 0;
        $least = $greatest = 1.0;
        $sum = $squares = $step = 0.0;
        $answer = Answer::NotYet;
        $lower = $upper = $decidedAt = null;
        $uneven = false;
        foreach ($values as $value) {
            ++$n;
            $bound += $value->atLeast ? 1 : 0;
            $step = max($step, $value->step);
            [$least, $greatest] = [min($least, $value->gain), max($greatest, $value->gain)];
            // Sums of what exceeds the first reading: equal readings have no spread at all, rather than one of rounding.
            $beyond = $sign * ($value->value - $first);
            $sum += $beyond;
            $squares += $beyond * $beyond;
            if (null !== $decidedAt || !isset($bounds->below[$n])) {
                continue;
            }
            $mean = $sign * $first + $sum / $n;
            $sd = max(sqrt(max(0.0, ($squares - $sum * $sum / $n) / ($n - 1))), $step / sqrt(12));
            $low = $mean - $step / 2 - $bounds->below[$n] * $sd / sqrt($n);
            $high = $mean + $step / 2 - $bounds->above[$n] * $sd / sqrt($n);
            $low = min($low * $least, $low * $greatest);
            $high = max($high * $least, $high * $greatest);
            $side = match (true) {
                $low >= $sign * $limit => Answer::Yes,
                $high < $sign * $limit => Answer::No,
                default => null,
            };
            // What is read "at least" may be anything above: nothing that rests on it can be said to stay below.
            $known = 0 === $bound || ($atLeast ? Answer::Yes : Answer::No) === $side;
            [$lower, $upper] = $atLeast ? [$low, $bound > 0 ? null : $high] : [-$high, $bound > 0 ? null : -$low];
            if (null === $side || !$known) {
                continue;
            }
            $uneven = self::isUneven(\array_slice($values, 0, $n), $sign * (Answer::Yes === $side ? -1 : 1), $sd, $step);
            if (!$uneven) {
                [$answer, $decidedAt] = [$side, $n];
            }
        }

        return new self($answer, $criterion, $n, $lower, $upper, $decidedAt, $uneven, $censored, $clearing);
    }

    /**
     * Whether the readings have a tail on the side that would make the bound say too much (Shapiro & Wilk 1965, and the
     * side by the third moment).
     *
     * @param list<UnitValue> $values
     * @param int             $tail   −1: towards low readings
     */
    private static function isUneven(array $values, int $tail, float $sd, float $step): bool
    {
        $exact = [];
        foreach ($values as $value) {
            if (!$value->atLeast) {
                $exact[] = $value->value;
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

    /**
     * Nearly all, counted: with lower bounds among the readings no distribution can be fitted to them.
     *
     * @param list<UnitValue> $values
     */
    private static function withoutDistribution(
        array $values,
        float $limit,
        bool $atLeast,
        Design $design,
        int $planned,
        int $most,
        int $censored,
        int $clearing,
    ): self {
        $outcomes = array_map(static fn (UnitValue $each): ?bool => match (true) {
            $each->atLeast && $atLeast => $each->low() >= $limit ? true : null,
            $each->atLeast => $each->low() > $limit ? false : null,
            $atLeast => $each->low() >= $limit ? true : ($each->high() < $limit ? false : null),
            default => $each->high() <= $limit ? true : ($each->low() > $limit ? false : null),
        }, $values);
        $share = ShareAgainstRequired::of($outcomes, Criterion::NEARLY_ALL, $design, $planned, $most);

        return new self(
            $share->reached,
            Criterion::NearlyAll,
            \count($values),
            null,
            null,
            $share->decidedAt,
            false,
            $censored,
            $clearing,
        );
    }
}
