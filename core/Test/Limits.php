<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What a setup has to reach, fixed before the first run. A measure without a limit does not decide. */
final readonly class Limits
{
    public function __construct(
        /** N; null: no pulls are taken, or they only describe. */
        public ?float $hotPullAtLeastN,
        /** N; null as above. */
        public ?float $coldPullAtMostN,
        public Effort $effortAtMost,
        /** Null: lift is not measured, or only describes. */
        public ?float $liftAtMostMm = null,
        /** The limit belongs to the lift it was set for. */
        public LiftBy $liftBy = LiftBy::MeanOfEnds,
        /** From which on a difference between two setups matters, N; null: a share of the limit. */
        public ?float $pullMattersN = null,
        /** Likewise of their lift. */
        public ?float $liftMattersMm = null,
    ) {
    }

    public function pullsDecide(): bool
    {
        return null !== $this->hotPullAtLeastN || null !== $this->coldPullAtMostN;
    }
}
