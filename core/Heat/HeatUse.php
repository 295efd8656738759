<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** What bed and chamber take for a print: once to warm up, and from then on while it runs. Worked out, not metered. */
final readonly class HeatUse
{
    public function __construct(public float $warmWh, public float $drawsW)
    {
    }

    /** Wh */
    public function energyWh(float $minutes): float
    {
        return $this->warmWh + $this->drawsW * $minutes / 60;
    }
}
