<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** Where a run lies in a day, and what its time goes into. */
final readonly class TimetableRun
{
    /** @param list<array{phase: string, minutes: float}> $phases change, prepare, heat, print, cool, inspect */
    public function __construct(
        public PlannedRun $run,
        /** From 1. */
        public int $day,
        /** Minutes since the day began. */
        public float $atMinutes,
        public array $phases,
    ) {
    }
}
