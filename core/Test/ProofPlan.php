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
        if (!$taken->pulls && $hotPerSetup > 0) {
            throw BadPlan::noPullsToTake($hotPerSetup);
        }
    }

    /** How many of so many planned runs may be made at most before only a new plan can decide. */
    public function most(int $planned): int
    {
        return Design::Adaptive === $this->design ? (int) floor(self::MOST * $planned + 1e-9) : $planned;
    }
}
