<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What the parts of a run take, in minutes; given by the planner, with common-practice defaults in the app. */
final readonly class RunDurations
{
    public function __construct(
        public float $prepareMinutes,
        public float $heatAndSoakMinutes,
        public float $printMinutes,
        public float $coolMinutes,
        public float $inspectAndCleanMinutes,
        public float $plateChangeMinutes,
    ) {
    }

    public function runMinutes(PullKind $pull): float
    {
        return $this->prepareMinutes + $this->heatAndSoakMinutes + $this->printMinutes + $this->inspectAndCleanMinutes
            + (PullKind::Cold === $pull ? $this->coolMinutes : 0.0);
    }
}
