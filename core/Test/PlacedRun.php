<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** Where a run lies at its bench, and how long it has to wait for its plate. */
final readonly class PlacedRun
{
    public function __construct(
        public BenchRun $run,
        public string $printerId,
        /** From 1. */
        public int $day,
        /** Minutes since the day began. */
        public float $atMinutes,
        public float $waitsMinutes,
        /** The printer that has the plate until then; null: it does not wait. */
        public ?string $waitsForPrinterId,
    ) {
    }
}
