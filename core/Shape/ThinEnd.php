<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A narrow end of the contact patch: what lifts first. */
final readonly class ThinEnd
{
    public function __construct(
        public Point $at,
        /** Across the end; zero at a point. */
        public float $widthMm,
    ) {
    }
}
