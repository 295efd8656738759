<?php

declare(strict_types=1);

namespace App\Platform\Words;

/** From the unit that a figure is held in to the one it is read in. */
final readonly class Scale
{
    public function __construct(public string $symbol, public float $factor, public float $offset = 0.0)
    {
    }

    public function shown(float $held): float
    {
        return $this->factor * $held + $this->offset;
    }
}
