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
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\Reading;

/**
 * What the verdict makes of many setups whose truth is known: one plan, one truth, one kind of scatter, one of the two questions,
 * judged by {@see SetupJudgement} as a shop would, once or after each run until it is settled.
 */
final readonly class SimulatedCell
{
    /** The share that counted plans ask for here. */
    public const SHARE = 0.8;
    /** A limit where its height does not matter. */
    private const ANY_N = 1.0;

    public function __construct(
        public Criterion $criterion,
        /** Planned for one setup, of the kind that is judged; visits where these are the unit. */
        public int $runs,
        /** In sd from the limit, or the true share less the required one; 0 is the limit. */
        public float $truth,
        /** Null: counts. */
        public ?Scatter $scatter,
        /** Whether it is judged after each run rather than once at the end. */
        public bool $looks,
        public Design $design,
        /** Whether it holds; else whether it lets go. */
        public bool $hold = true,
    ) {
    }

    /**
     * @return array{yes: float, false_yes: float, false_no: float, not_yet: float, mean_runs: float}
     */
    public function simulate(int $replicates, int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $about = $this->about();
        // What the middle, the mean, or the share that is asked of the pulls comes to: the truth of 0 lies at the limit.
        $limitN = ($this->scatter ?? Scatter::Normal)->mean() + $about;
        $plan = $this->plan($limitN);
        $yes = $no = $runs = 0;
        for ($i = 0; $i < $replicates; ++$i) {
            [$answer, $used] = $this->judged($this->made($plan, $random, $limitN, $about), $plan);
            $runs += $used;
            $yes += Answer::Yes === $answer ? 1 : 0;
            $no += Answer::No === $answer ? 1 : 0;
        }

        return [
            'yes' => $yes / $replicates,
            'false_yes' => $this->truth <= 0 ? $yes / $replicates : 0.0,
            'false_no' => $this->truth >= 0 ? $no / $replicates : 0.0,
            'not_yet' => 1 - ($yes + $no) / $replicates,
            'mean_runs' => $runs / $replicates,
        ];
    }

    public function mostRuns(): int
    {
        return $this->plan(self::ANY_N)->most($this->runs);
    }

    /** Null: it counts runs. */
    public function rule(): ?PullRule
    {
        return $this->plan(self::ANY_N)->pullRule($this->hold);
    }

    /** Whether the screen claims both answers for data of this kind; where not, it says so where the criterion is chosen. */
    public function claimed(): bool
    {
        return match ($this->rule()) {
            null => true,
            PullRule::Share, PullRule::Middle => Scatter::Visits !== $this->scatter,
            PullRule::MiddleOfLogs => Scatter::RightSkewed === $this->scatter,
            PullRule::Mean => \in_array($this->scatter, [Scatter::Normal, Scatter::Coarse, Scatter::Capped, Scatter::Visits], true)
                || Scatter::Weibull === $this->scatter && Design::Fixed === $this->design,
            PullRule::NearlyAll => \in_array($this->scatter, [Scatter::Normal, Scatter::Coarse, Scatter::Weibull, Scatter::Capped], true),
        };
    }

    /** The distance from the limit, in sd, at which one look at so many readings would show in nine cases of ten by Student's bound that it is cleared. */
    public static function distanceForPower(Criterion $criterion, int $runs): float
    {
        $rule = Criterion::NearlyAll === $criterion ? PullRule::NearlyAll : PullRule::Mean;
        $bound = Bounds::once($rule, $runs, ProofPlan::ERROR)->below[$runs];
        $shift = Bounds::shift($rule);

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
     * @return array{Answer, int} the answer and the runs it took
     */
    private function judged(SetupRecord $record, ProofPlan $plan): array
    {
        $finding = $this->finding($record, $plan);
        $at = $finding->pulls->decidedAt ?? $finding->share->decidedAt;
        if (!$this->looks || Answer::NotYet === $finding->answer || null === $at) {
            return [$finding->answer, $this->runs > 0 ? $plan->most($this->runs) : 0];
        }
        $then = $this->finding($this->upTo($record, $at), $plan)->answer;
        $before = $this->finding($this->upTo($record, $at - 1), $plan)->answer;

        return Answer::NotYet === $before ? [$then, $at] : [$before, $at - 1];
    }

    private function upTo(SetupRecord $record, int $units): SetupRecord
    {
        return $record->first(null === $record->units ? $units : $units * Scatter::RUNS_A_VISIT);
    }

    private function finding(SetupRecord $record, ProofPlan $plan): Finding
    {
        $judgement = SetupJudgement::of($record, $plan);

        return $this->hold ? $judgement->hold : $judgement->release;
    }

    private function plan(float $limitN): ProofPlan
    {
        $counts = Criterion::Counts === $this->criterion;

        return new ProofPlan(
            new Limits(
                $counts || !$this->hold ? null : $limitN,
                $counts || $this->hold ? null : $limitN,
                Effort::Flex,
            ),
            $this->criterion,
            self::SHARE,
            $this->runs,
            $this->design,
            $this->runs,
            $this->runs,
            $this->runs,
        );
    }

    /** Where in the scatter that lies which the rule is about, in spreads from its mean. */
    private function about(): float
    {
        $rule = $this->rule();
        if (null === $rule || null === $this->scatter || PullRule::Mean === $rule) {
            return 0.0;
        }
        $share = $rule->share(self::SHARE);

        return $this->scatter->quantile($this->hold ? 1 - $share : $share);
    }

    private function made(ProofPlan $plan, Randomizer $random, float $limitN, float $about): SetupRecord
    {
        $visits = Scatter::Visits === $this->scatter;
        $byVisit = $visits && $this->criterion->byVisit();
        $runs = $plan->most($this->runs) * ($byVisit ? Scatter::RUNS_A_VISIT : 1);
        $record = $units = [];
        $visit = 0.0;
        for ($k = 0; $k < $runs; ++$k) {
            if ($visits && 0 === $k % Scatter::RUNS_A_VISIT) {
                $visit = Scatter::normal($random);
            }
            $record[] = $this->run($random, $limitN, $about, $visits ? $visit : null);
            $units[] = 'v'.intdiv($k, Scatter::RUNS_A_VISIT);
        }
        $kind = $this->hold ? PullKind::Hot : PullKind::Cold;

        return new SetupRecord('A', $record, $byVisit ? $units : null, pulls: null === $this->scatter ? [] : array_fill(0, $runs, $kind));
    }

    /** @return list<Reading> */
    private function run(Randomizer $random, float $limitN, float $about, ?float $visit): array
    {
        if (null === $this->scatter) {
            $passes = Scatter::share($random) < self::SHARE + $this->truth ? 1 : 0;

            return $this->hold
                ? [new Reading(Measure::Held, $passes)]
                : [
                    new Reading(Measure::Held, 1),
                    new Reading(Measure::Effort, $passes > 0 ? Effort::Finger->value : Effort::Scraper->value),
                    new Reading(Measure::Damage, 0),
                ];
        }
        $drawn = $this->scatter->draw($random);
        $drawn = null === $visit ? $drawn : ($drawn + $visit) / sqrt(2);
        $pull = ($this->hold ? $this->truth : -$this->truth) + $drawn - $about;
        $step = 0.0;
        if (Scatter::Coarse === $this->scatter) {
            $step = Scatter::STEP;
            $pull = (round($pull / $step - 0.5) + 0.5) * $step;
        }
        $capped = Scatter::Capped === $this->scatter && $pull > Scatter::CAP;
        $value = max(0.0, $limitN + ($capped ? Scatter::CAP : $pull));

        return $this->hold
            ? [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, $value, $capped, $step)]
            : [
                new Reading(Measure::Held, 1),
                new Reading(Measure::PullCold, $value, $capped, $step),
                new Reading(Measure::Effort, 0),
                new Reading(Measure::Damage, 0),
            ];
    }
}
