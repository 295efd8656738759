<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\HeatUp;

/** How long a setup takes to warm, to soak and to cool, and what it takes of energy. */
final readonly class HeatPlan
{
    /** @param array<string, float|null> $coolingSeconds by way; null: it never gets there */
    public function __construct(
        public HeatUp $heatUp,
        public array $coolingSeconds,
        /** The surface temperature rests on a measurement on this plate and printer. */
        public bool $measured,
        /** The heater's power is not known and was assumed. */
        public bool $heaterAssumed,
        public float $heaterW,
    ) {
    }

    /** Warm-up, soak and cooling in still air, minutes; null: one of them never ends. */
    public function turnaroundMinutes(): ?float
    {
        $warm = $this->heatUp->totalSeconds();
        $cool = $this->coolingSeconds[Cooling::StillAir->value] ?? null;

        return null === $warm || null === $cool ? null : ($warm + $cool) / 60;
    }

    /** Until the print may begin, and while it runs, Wh. */
    public function energyWh(?float $jobMinutes): float
    {
        return $this->heatUp->energyWh + $this->heatUp->holdingW * ($jobMinutes ?? 0) / 60;
    }
}
