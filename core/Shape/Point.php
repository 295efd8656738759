<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A place on the plate, mm, seen from above. */
final readonly class Point
{
    public function __construct(public float $xMm, public float $yMm)
    {
    }

    public function distanceTo(self $other): float
    {
        return hypot($this->xMm - $other->xMm, $this->yMm - $other->yMm);
    }
}
