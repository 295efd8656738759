<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What a comparison will take for proof, frozen with its plan: by which criterion, within which limits, with how many
 * runs of a setup, and when it is looked at. Every claim is made with 95 % confidence for each setup by itself.
 */
final readonly class ProofPlan
{
    /** That a setup holds, or does not, is each wrong at most this often at the limit. */
    public const ERROR = 0.05;
    /** The largest number of runs of an adaptive plan, as a multiple of the planned ones. */
    private const MOST = 1.35;

    public function __construct(
        public Limits $limits,
        public Criterion $criterion,
        /** Share of runs that have to hold, and of those taken off that have to come off well. */
        public float $share,
        /** Runs that may fail; more, and the plan is not passed. */
        public int $failuresAllowed,
        public Design $design,
        /** Of each setup. */
        public int $runs,
        public int $hotRuns,
        public int $coldRuns,
        /** How often each answer may be wrong at the limit. */
        public float $error = self::ERROR,
        /** Whether the runs of a visit are one: its numbers of runs are of visits then. */
        public bool $byVisit = false,
    ) {
    }

    /**
     * A limit that was left blank is asked for: it is neither 0 nor "anything goes".
     *
     * @throws BadPlan if a measure that is to decide has no limit, or the criterion asks for what is not measured
     */
    public function check(Taken $taken, int $hotPerSetup): void
    {
        foreach ([
            // Where nothing is pulled hot, no hot pull can decide.
            'limits.hotPullAtLeastN' => [$taken->pulls && $hotPerSetup > 0, $this->limits->hotPullAtLeastN],
            'limits.coldPullAtMostN' => [$taken->pulls, $this->limits->coldPullAtMostN],
            'limits.liftAtMostMm' => [$taken->lift, $this->limits->liftAtMostMm],
        ] as $field => [$decides, $limit]) {
            if ($decides && null === $limit) {
                throw BadPlan::noLimit($field);
            }
        }
        if (!$taken->pulls && Criterion::Counts !== $this->criterion) {
            throw BadPlan::noPullsToJudgeBy();
        }
        // A visit gives the mean of its pulls, which scatter less than parts do.
        if ($this->byVisit && Criterion::NearlyAll === $this->criterion) {
            throw BadPlan::nearlyAllByVisit();
        }
        if (!$taken->pulls && $hotPerSetup > 0) {
            throw BadPlan::noPullsToTake($hotPerSetup);
        }
    }

    /** What is asked of the pulls of a question; null: its runs are counted. */
    public function pullRule(bool $hold): ?PullRule
    {
        if (null === ($hold ? $this->limits->hotPullAtLeastN : $this->limits->coldPullAtMostN)) {
            return null;
        }

        return match ($this->criterion) {
            Criterion::Counts => null,
            Criterion::WithoutLaw => $this->showsShare($this->planned($hold, true)) ? PullRule::Share : PullRule::Middle,
            Criterion::MiddleOfLogs => PullRule::MiddleOfLogs,
            Criterion::Mean => PullRule::Mean,
            Criterion::NearlyAll => PullRule::NearlyAll,
        };
    }

    /** The same with what a profile asks: its share, no more failures than it allows, and each answer as sure as it asks at least. */
    public function accepting(float $share, float $confidence, int $failuresAllowed): self
    {
        return new self(
            $this->limits,
            $this->criterion,
            $share,
            $failuresAllowed,
            $this->design,
            $this->runs,
            $this->hotRuns,
            $this->coldRuns,
            min($this->error, 1 - $confidence),
            $this->byVisit,
        );
    }

    /** Runs that answer a question; by pulls those that are to give its pull, else all that are asked. */
    public function planned(bool $hold, bool $byPulls): int
    {
        return match (true) {
            !$hold => $this->coldRuns,
            $byPulls => $this->hotRuns,
            default => $this->runs,
        };
    }

    /** The same with so many runs at one look. */
    public function atOneLook(int $runs, int $hot, int $cold): self
    {
        return new self(
            $this->limits,
            $this->criterion,
            $this->share,
            $this->failuresAllowed,
            Design::Fixed,
            $runs,
            $hot,
            $cold,
            $this->error,
            $this->byVisit,
        );
    }

    /** Whether so many planned pulls can show the required share at all, without one that misses the limit. */
    private function showsShare(int $planned): bool
    {
        return $this->most($planned) >= PullRule::Share->fewest($this->share, $this->error);
    }

    /** How many of so many planned runs may be made at most before only a new plan can decide. */
    public function most(int $planned): int
    {
        return Design::Adaptive === $this->design ? (int) floor(self::MOST * $planned + 1e-9) : $planned;
    }
}
