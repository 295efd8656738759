<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Material;

/** What is to be printed, where, and in which room. */
final readonly class JobRequest
{
    public function __construct(
        public Material $material,
        public PrinterFacts $printer,
        public float $roomC,
        public ?string $lotId = null,
        public int $partCount = 1,
        /** Footprint of the job on the plate, mm. */
        public ?float $widthMm = null,
        public ?float $depthMm = null,
    ) {
    }
}
