<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** What a printer can do. */
final readonly class PrinterFacts
{
    public function __construct(
        public string $id,
        public string $name,
        public bool $filament,
        public float $bedWidthMm,
        public float $bedDepthMm,
        /** Null: the bed has no heater. */
        public ?float $maxBedC,
        public float $maxNozzleC,
        public bool $enclosed,
        /** Null: plates are not held by magnets, or the magnets set no limit. */
        public ?float $magnetLimitC,
    ) {
    }
}
