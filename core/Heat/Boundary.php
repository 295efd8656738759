<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** What takes heat from a face. */
interface Boundary
{
    /** Heat transfer coefficient at this face temperature, W/m²K, radiation included. */
    public function coefficientWM2K(float $faceC): float;

    /** °C. */
    public function surroundingsC(): float;
}
