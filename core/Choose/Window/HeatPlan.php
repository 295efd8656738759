<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Heat\PlateBuild;

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
        /** What the chamber takes to warm; 0: there is none, or nobody timed it. */
        public float $chamberSeconds = 0.0,
        /** Of the heater of the chamber; 0: there is none, or it is not known. */
        public float $chamberW = 0.0,
        /** Something is glued to the bed and has to go first. */
        public bool $strips = false,
    ) {
    }

    /** The same where something is glued to the bed. */
    public function stripped(): self
    {
        return new self(
            $this->heatUp,
            $this->stillAirSeconds,
            $this->heaterAssumed,
            $this->heaterW,
            $this->chamberSeconds,
            $this->chamberW,
            true,
        );
    }

    /** What goes before, warm-up of bed and chamber, soak and cooling in still air, minutes; null: one of them never ends. */
    public function turnaroundMinutes(): ?float
    {
        $warm = $this->warmSeconds();

        return null === $warm || null === $this->stillAirSeconds
            ? null : ($warm + $this->stillAirSeconds) / 60 + ($this->strips ? PlateBuild::STRIP_MINUTES : 0.0);
    }

    /** Bed and chamber warm at the same time; null: the bed never gets there. */
    public function warmSeconds(): ?float
    {
        $bed = $this->heatUp->totalSeconds();

        return null === $bed ? null : max($bed, $this->chamberSeconds);
    }

    /** Until the print may begin, and while it runs, Wh. */
    public function energyWh(?float $jobMinutes): float
    {
        return $this->heatUse()->energyWh($jobMinutes ?? 0.0);
    }

    /**
     * The heater of the chamber counts in full all the time: how much of it is on to hold the warmth is not known, so that this
     * is no less than it takes.
     */
    public function heatUse(): HeatUse
    {
        return new HeatUse(
            $this->heatUp->energyWh + $this->chamberW * ($this->warmSeconds() ?? 0.0) / 3600,
            $this->heatUp->holdingW + $this->chamberW,
        );
    }
}
