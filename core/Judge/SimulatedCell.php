<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Root;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;

/**
 * What the verdict makes of many setups whose truth is known: one plan, one truth, one kind of scatter, judged by
 * {@see SetupJudgement} as a shop would, once or after each run until it is settled.
 */
final readonly class SimulatedCell
{
    /** The share that counted plans ask for here. */
    public const SHARE = 0.8;
    /** Far above any scatter, so that no pull is negative. */
    private const LIMIT_N = 100.0;

    public function __construct(
        public Criterion $criterion,
        /** Planned for one setup. */
        public int $runs,
        /** In sd from the limit, or the true share less the required one; 0 is the limit. */
        public float $truth,
        /** Null: counts. */
        public ?Scatter $scatter,
        /** Whether it is judged after each run rather than once at the end. */
        public bool $looks,
        public Design $design,
    ) {
    }

    /**
     * @return array{holds: float, false_holds: float, false_does_not_hold: float, not_yet: float, mean_runs: float}
     */
    public function simulate(int $replicates, int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $plan = $this->plan();
        $most = $plan->most($this->runs);
        $holds = $doesNot = $runs = 0;
        for ($i = 0; $i < $replicates; ++$i) {
            $record = [];
            for ($k = 0; $k < $most; ++$k) {
                $record[] = $this->run($random);
            }
            [$answer, $used] = $this->judged($record, $plan);
            $runs += $used;
            $holds += Answer::Yes === $answer ? 1 : 0;
            $doesNot += Answer::No === $answer ? 1 : 0;
        }

        return [
            'holds' => $holds / $replicates,
            'false_holds' => $this->truth <= 0 ? $holds / $replicates : 0.0,
            'false_does_not_hold' => $this->truth >= 0 ? $doesNot / $replicates : 0.0,
            'not_yet' => 1 - ($holds + $doesNot) / $replicates,
            'mean_runs' => $runs / $replicates,
        ];
    }

    public function mostRuns(): int
    {
        return $this->plan()->most($this->runs);
    }

    /** Whether the screen claims both answers for data of this kind; otherwise it says why not. */
    public function claimed(): bool
    {
        return match ($this->scatter) {
            null, Scatter::Normal, Scatter::Coarse => true,
            Scatter::Skewed => Criterion::NearlyAll === $this->criterion,
            Scatter::WeakLink => Reasons::weakWouldShow($this->design, $this->runs),
        };
    }

    /** The distance from the limit, in sd, at which one look at so many readings shows in nine cases of ten that it is cleared. */
    public static function distanceForPower(Criterion $criterion, int $runs): float
    {
        $bound = Bounds::once($criterion, $runs)->below[$runs];
        $shift = Bounds::shift($criterion);

        return Root::between(
            static fn (float $delta): float => 1 - (new NoncentralT($runs - 1, ($delta + $shift) * sqrt($runs)))->cdf($bound) - PlanChance::POWER,
            0.0,
            20.0,
        );
    }

    /**
     * The verdict reads the runs in their order and stands from the look at which it fell: that look, the one before and the
     * end of the plan say all that a look after each run would.
     *
     * @param list<list<Reading>> $runs
     *
     * @return array{Answer, int} the answer and the runs it took
     */
    private function judged(array $runs, ProofPlan $plan): array
    {
        $hold = self::hold($runs, $plan);
        $at = $hold->pulls->decidedAt ?? $hold->share->decidedAt;
        if (!$this->looks || Answer::NotYet === $hold->answer || null === $at) {
            return [$hold->answer, \count($runs)];
        }
        $then = self::hold(\array_slice($runs, 0, $at), $plan)->answer;
        $before = self::hold(\array_slice($runs, 0, $at - 1), $plan)->answer;

        return Answer::NotYet === $before ? [$then, $at] : [$before, $at - 1];
    }

    /** @param list<list<Reading>> $runs */
    private static function hold(array $runs, ProofPlan $plan): Finding
    {
        return SetupJudgement::of(new SetupRecord('A', $runs), $plan)->hold;
    }

    private function plan(): ProofPlan
    {
        return new ProofPlan(
            new Limits(Criterion::Counts === $this->criterion ? null : self::LIMIT_N, null, Effort::Flex),
            $this->criterion,
            self::SHARE,
            $this->runs,
            $this->design,
            $this->runs,
            $this->runs,
            $this->runs,
        );
    }

    /** @return list<Reading> */
    private function run(Randomizer $random): array
    {
        if (null === $this->scatter) {
            return [new Reading(Measure::Held, Scatter::share($random) < self::SHARE + $this->truth ? 1 : 0)];
        }
        $shift = Criterion::NearlyAll === $this->criterion ? -$this->scatter->tenth() : 0.0;
        $pull = $this->truth + $shift + $this->scatter->draw($random);
        $step = 0.0;
        if (Scatter::Coarse === $this->scatter) {
            $step = Scatter::STEP;
            $pull = (round($pull / $step - 0.5) + 0.5) * $step;
        }

        return [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, self::LIMIT_N + $pull, false, $step)];
    }
}
