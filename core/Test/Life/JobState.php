<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/** All that decides on what may be done with a print for use. */
final readonly class JobState
{
    public function __construct(
        public JobStatus $status = JobStatus::Open,
        /** As it was planned, minutes; null: nobody said. */
        public ?float $plannedMinutes = null,
        /** Since it was begun, as somebody touched. */
        public float $begunMinutesAgo = 0.0,
        /** As the printer reported begin and end; null: it did not. */
        public ?float $reportedMinutes = null,
        /** Since the printer reported its begin; null: it did not. */
        public ?float $machineBegunMinutesAgo = null,
    ) {
    }
}
