<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** A face whose coefficient does not change; zero is an insulated face. */
final readonly class ConstantCoefficient implements Boundary
{
    public function __construct(private float $wM2K, private float $airC)
    {
    }

    public function coefficientWM2K(float $faceC): float
    {
        return $this->wM2K;
    }

    public function surroundingsC(): float
    {
        return $this->airC;
    }
}
