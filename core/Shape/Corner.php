<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A sharp corner of the contact patch. */
final readonly class Corner
{
    public function __construct(public Point $at, public float $interiorDegrees)
    {
    }
}
