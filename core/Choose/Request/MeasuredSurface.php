<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** A surface temperature that was measured on a plate on a printer. */
final readonly class MeasuredSurface
{
    public function __construct(
        public float $displayC,
        public float $surfaceC,
        public float $roomC,
        /** Date, as it is to be shown. */
        public string $on,
    ) {
    }
}
