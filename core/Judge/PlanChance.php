<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Judge\Internal\DrawnBounds;
use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What a plan can show, before its first run: the chance that a setup of a given quality passes, that it is refuted, and the
 * runs it takes; of pulls, for those that scatter as a normal law has it. Binomial for shares and for pulls that are counted,
 * noncentral t and the joint law of the t statistics on logarithms; where the furthest of several bounds decides it is drawn.
 */
final readonly class PlanChance
{
    /** Below it the plan is likelier to leave a good setup open than to pass it. */
    public const WARN_BELOW = 0.5;
    public const POWER = 0.9;
    private const MOST_RUNS = 200;
    /** Distances of the mean pull from its limit, in its own spread. */
    private const DISTANCES = [0.5, 1.0, 2.0, 3.0, 5.0];
    /** Of a good setup, against which a plan is warned: a mean that is clearly beyond the limit, or most of the parts. */
    private const GOOD = ['mean' => 1.0, 'middle_of_logs' => 1.0, 'middle' => 2.0, 'share' => 3.0, 'nearly_all' => 3.0];
    /** Of the picture of what a plan can show: its ends in spreads, and into how many steps it is drawn. */
    private const WORST = -3.0;
    private const BEST = 5.0;
    private const POINTS = 40;
    /** What is called seen. */
    private const SEEN = 0.8;
    private const SHARES = [0.9, 0.95, 0.98, 0.995];

    private function __construct(
        /** The true share that succeeds, or how many spreads the mean pull is better than its limit. */
        public float $truth,
        public float $passes,
        public float $refuted,
        /** Runs, or pulls, that the question takes. */
        public float $runs,
    ) {
    }

    /** Of the question whether it holds (hot), or lets go, for a setup of this quality. */
    public static function at(ProofPlan $plan, bool $hold, float $truth): self
    {
        $rule = $plan->pullRule($hold);
        $planned = $plan->planned($hold, null !== $rule);

        return null === $rule
            ? self::ofShare($plan->design, $planned, $plan->most($planned), $plan->share, $plan->error, $plan->failuresAllowed, $truth, $truth)
            : self::ofPulls($rule, $plan, $planned, $truth);
    }

    /** Runs of one setup that the plan takes if it is a good one; the longer of its two questions. */
    public static function likelyRuns(ProofPlan $plan): float
    {
        $of = static function (bool $hold) use ($plan): float {
            $rule = $plan->pullRule($hold);

            return self::at($plan, $hold, null === $rule ? self::goodShare($plan) : self::good($rule))->runs;
        };

        // Pulls hot and cold are different runs; counts are of the same ones.
        return null !== $plan->pullRule(true) && null !== $plan->pullRule(false) ? $of(true) + $of(false) : max($of(true), $of(false));
    }

    /** @return list<self> at a few qualities, from ordinary to very good */
    public static function table(ProofPlan $plan, bool $hold): array
    {
        $truths = null !== $plan->pullRule($hold) ? self::DISTANCES : array_values(array_filter(
            self::SHARES,
            static fn (float $share): bool => $share > $plan->share,
        ));

        return array_map(static fn (float $truth): self => self::at($plan, $hold, $truth), $truths);
    }

    /** @return list<self> over all qualities, from bad to good */
    public static function curve(ProofPlan $plan, bool $hold): array
    {
        $byPulls = null !== $plan->pullRule($hold);
        $points = [];
        for ($i = 0; $i <= self::POINTS; ++$i) {
            $points[] = self::at($plan, $hold, $byPulls ? self::WORST + $i * (self::BEST - self::WORST) / self::POINTS : $i / self::POINTS);
        }

        return $points;
    }

    /**
     * What the plan sees in eight cases of ten, and what it cannot tell.
     *
     * @param list<self> $curve of the same question
     */
    public static function sees(array $curve, bool $byPulls): Sentence
    {
        $bad = self::where($curve, static fn (self $each): float => $each->refuted, false);
        $good = self::where($curve, static fn (self $each): float => $each->passes, true);
        $kind = $byPulls ? 'pulls' : 'runs';
        $quantity = static fn (float $truth): Quantity => $byPulls ? Quantity::number(abs($truth), 0.1) : Quantity::share($truth, 0.01);

        return match (true) {
            null !== $good && null !== $bad => Sentence::of("chance.sees_$kind", good: $quantity($good), bad: $quantity($bad)),
            null !== $bad => Sentence::of("chance.sees_bad_$kind", bad: $quantity($bad)),
            null !== $good => Sentence::of("chance.sees_good_$kind", good: $quantity($good)),
            default => Sentence::of('chance.sees_nothing'),
        };
    }

    /**
     * Where a chance is just as large as what is called seen, drawn straight between two points.
     *
     * @param list<self>            $curve
     * @param \Closure(self): float $chance
     * @param bool                  $rises  from bad to good
     */
    private static function where(array $curve, \Closure $chance, bool $rises): ?float
    {
        $before = null;
        foreach ($rises ? $curve : array_reverse($curve) as $each) {
            $at = $chance($each);
            if ($at >= self::SEEN) {
                return null === $before ? $each->truth
                    : $before->truth + ($each->truth - $before->truth) * (self::SEEN - $chance($before)) / ($at - $chance($before));
            }
            $before = $each;
        }

        return null;
    }

    /** The fewest pulls that at one look show in nine cases of ten what lies so many spreads beyond the limit; null: too many. */
    public static function fewestPulls(PullRule $rule, ProofPlan $plan, float $distance): ?int
    {
        $at = static fn (int $n): float => self::ofPulls($rule, $plan->atOneLook(2 * $n, $n, $n), $n, $distance)->passes;
        for ($n = $rule->fewest($plan->share, $plan->error), $step = 1; $n <= self::MOST_RUNS; $n += $step) {
            if ($at($n) >= self::POWER) {
                // Gone by larger steps, the fewest lies within the last of them.
                while ($step > 1 && $at($n - 1) >= self::POWER) {
                    --$n;
                    --$step;
                }

                return $n;
            }
            $step = max(1, intdiv($n, 8));
        }

        return null;
    }

    /** How many of its own spreads the middle pull of a good setup lies beyond the limit. */
    public static function good(PullRule $rule): float
    {
        return self::GOOD[$rule->value];
    }

    /** The fewest runs that can show the share at all with so many failures; null: beyond reason. */
    public static function fewestRuns(float $share, int $failures): ?int
    {
        for ($n = $failures + 1; $n <= self::MOST_RUNS; ++$n) {
            if (SequentialShare::once($n, $share, ProofPlan::ERROR)->mostForYes[$n] >= $failures) {
                return $n;
            }
        }

        return null;
    }

    /** @return list<Sentence> what the plan cannot show; none: it can */
    public static function warnings(ProofPlan $plan): array
    {
        $hold = self::warning($plan, true);
        $release = self::warning($plan, false);
        if (null !== $hold && null !== $release && self::worded('both', $hold)->toArray() === self::worded('both', $release)->toArray()) {
            return [self::worded('both', $hold)];
        }

        return [
            ...(null === $hold ? [] : [self::worded('hold', $hold)]),
            ...(null === $release ? [] : [self::worded('release', $release)]),
        ];
    }

    /** @param array{string, array<string, Quantity>} $warning */
    private static function worded(string $question, array $warning): Sentence
    {
        return Sentence::of($warning[0], ...['question' => Sentence::of('question.'.$question), ...$warning[1]]);
    }

    /** @return array{string, array<string, Quantity>}|null a message and its figures */
    private static function warning(ProofPlan $plan, bool $hold): ?array
    {
        $rule = $plan->pullRule($hold);
        if (null !== $rule) {
            $planned = $plan->planned($hold, true);
            $needed = $rule->fewest($plan->share, $plan->error);
            if ($plan->most($planned) < $needed) {
                return ['chance.too_few_pulls', ['n' => Quantity::count($planned), 'needed' => Quantity::count($needed)]];
            }
            $good = self::good($rule);
            $at = self::at($plan, $hold, $good);

            return $at->passes >= self::WARN_BELOW ? null : ['chance.pulls_low', [
                'chance' => Quantity::share($at->passes),
                'distance' => Quantity::number($good, 0.5),
                'n' => Quantity::count($planned),
                'enough' => Quantity::count(self::fewestPulls($rule, $plan, $good) ?? self::MOST_RUNS),
            ]];
        }
        $good = self::goodShare($plan);
        $at = self::at($plan, $hold, $good);

        return $at->passes >= self::WARN_BELOW ? null : [$at->passes <= 0 ? 'chance.runs_never' : 'chance.runs_low', [
            'chance' => Quantity::share($at->passes),
            'good' => Quantity::share($good),
            'share' => Quantity::share($plan->share),
            'n' => Quantity::count($plan->most($plan->planned($hold, false))),
            'enough' => Quantity::count(self::fewestRuns($plan->share, $plan->failuresAllowed) ?? self::MOST_RUNS),
            'allowed' => Quantity::count($plan->failuresAllowed),
        ]];
    }

    /** Of a good setup: halfway from what is asked to always, and no less than nineteen in twenty. */
    private static function goodShare(ProofPlan $plan): float
    {
        return max(0.95, ($plan->share + 1) / 2);
    }

    private static function ofPulls(PullRule $rule, ProofPlan $plan, int $planned, float $distance): self
    {
        $most = $plan->most($planned);
        if ($most < $rule->fewest($plan->share, $plan->error)) {
            return new self($distance, 0.0, 0.0, $planned);
        }
        if ($rule->counts()) {
            return self::ofShare($plan->design, $planned, $most, $rule->share($plan->share), $plan->error, null, Normal::cdf($distance), $distance);
        }
        if (PullRule::MiddleOfLogs !== $rule) {
            return self::summed($distance, $most, DrawnBounds::of($rule, $plan->design, $planned, $most, $plan->error)->chances($distance));
        }
        $bounds = Bounds::of($rule, $plan->design, $planned, $most, $plan->error);
        if (Design::Fixed === $plan->design) {
            $t = new NoncentralT($planned - 1, $distance * sqrt($planned));

            return new self($distance, 1 - $t->cdf($bounds->below[$planned]), $t->cdf($bounds->above[$planned]), $planned);
        }

        return self::summed($distance, $most, array_map(
            static fn (array $each): array => [$each['above'], $each['below']],
            SequentialT::chances($distance, $bounds->below, $bounds->above),
        ));
    }

    /** @param float $share of runs, or of pulls, that succeed */
    private static function ofShare(Design $design, int $planned, int $most, float $required, float $error, ?int $allowed, float $share, float $truth): self
    {
        if ($planned < 1) {
            return new self($truth, 0.0, 0.0, 0.0);
        }
        $looks = Design::Fixed === $design
            ? SequentialShare::once($planned, $required, $error)
            : SequentialShare::afterEach($most, $required, $error);

        return self::summed($truth, $most, array_map(
            static fn (array $each): array => [$each['yes'], $each['no']],
            (null === $allowed ? $looks : $looks->allowing($allowed))->chances(min(1.0, max(0.0, $share))),
        ));
    }

    /** @param array<int, array{float, float}> $chances of yes and no, by look */
    private static function summed(float $truth, int $most, array $chances): self
    {
        $yes = $no = $runs = 0.0;
        foreach ($chances as $k => [$passes, $refuted]) {
            $yes += $passes;
            $no += $refuted;
            $runs += $k * ($passes + $refuted);
        }

        return new self($truth, min(1.0, $yes), min(1.0, $no), $runs + $most * max(0.0, 1 - $yes - $no));
    }
}
