<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** One run in the order in which the runs are made. */
final readonly class PlannedRun
{
    public function __construct(
        /** From 1. */
        public int $position,
        public string $setupId,
        /** Which visit to the setup this is, from 1. */
        public int $visit,
        public PullKind $pull,
        /** Whether the plate has to be put on (again) before this run. */
        public bool $plateChange,
        /** Where its part stands; null: where the file has it. */
        public ?PlateSpot $spot = null,
    ) {
    }
}
