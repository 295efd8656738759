<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Heat\HeatUp;

/** How long a setup takes to warm, to soak and to cool, and what it takes of energy. */
final readonly class HeatPlan
{
    public function __construct(
        public HeatUp $heatUp,
        /** In still air on the printer, until the part lets go; null: it never gets there. */
        public ?float $stillAirSeconds,
        /** The heater's power is not known and was assumed. */
        public bool $heaterAssumed,
        public float $heaterW,
    ) {
    }

    /** Warm-up, soak and cooling in still air, minutes; null: one of them never ends. */
    public function turnaroundMinutes(): ?float
    {
        $warm = $this->heatUp->totalSeconds();

        return null === $warm || null === $this->stillAirSeconds ? null : ($warm + $this->stillAirSeconds) / 60;
    }

    /** Until the print may begin, and while it runs, Wh. */
    public function energyWh(?float $jobMinutes): float
    {
        return $this->heatUp->energyWh + $this->heatUp->holdingW * ($jobMinutes ?? 0) / 60;
    }
}
