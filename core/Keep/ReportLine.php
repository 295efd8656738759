<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** Prints for use, summed. */
final readonly class ReportLine
{
    private function __construct(
        public int $prints,
        public int $cameTrue,
        /** Printed in all, as far as it was measured. */
        public float $minutes,
        /** Of what did not hold and let go. */
        public float $lostMinutes,
        public int $damaged,
        /** In the shop's money; null: a price is not known. */
        public ?float $cost,
        /** Of bed and chamber, Wh, in all those of which it is known. */
        public float $energyWh,
        public int $energyKnown,
    ) {
    }

    /** @param list<PrintedInMonth> $printed */
    public static function of(array $printed): self
    {
        $prints = $cameTrue = $damaged = $energyKnown = 0;
        $minutes = $lost = $energyWh = 0.0;
        $cost = 0.0;
        foreach ($printed as $each) {
            $prints += $each->prints;
            $cameTrue += $each->cameTrue ? $each->prints : 0;
            $minutes += $each->minutes;
            $lost += $each->cameTrue ? 0.0 : $each->minutes;
            $damaged += $each->damaged;
            $energyWh += $each->energyWh;
            $energyKnown += $each->energyKnown;
            // One price that is missing makes the sum a wrong one.
            $cost = null === $cost || null === $each->cost ? null : $cost + $each->cost;
        }

        return new self($prints, $cameTrue, $minutes, $lost, $damaged, $cost, $energyWh, $energyKnown);
    }

    /** That held and let go; null: there are none. */
    public function share(): ?float
    {
        return 0 === $this->prints ? null : $this->cameTrue / $this->prints;
    }

    /** What one of those takes of which it is known, Wh; null: it is known of none. */
    public function energyWhPerPrint(): ?float
    {
        return 0 === $this->energyKnown ? null : $this->energyWh / $this->energyKnown;
    }

    /** What one print takes; null: it is not known. */
    public function costPerPrint(): ?float
    {
        return null === $this->cost || 0 === $this->prints ? null : $this->cost / $this->prints;
    }
}
