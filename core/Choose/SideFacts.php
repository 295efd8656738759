<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** One side of a plate on the shelf. */
final readonly class SideFacts
{
    public function __construct(
        public string $id,
        public string $plateId,
        /** As it is called at the bench: plate number and side. */
        public string $label,
        public string $surfaceId,
        public float $widthMm,
        public float $depthMm,
        /** Held down by the printer's magnets. */
        public bool $magnetic,
        /** A limit of this plate below that of its kind, °C. */
        public ?float $ownLimitC = null,
    ) {
    }
}
