<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Surroundings;

/** What a printer can do. */
final readonly class PrinterFacts
{
    /**
     * @param list<Layer>    $bed   its own layers below a plate, from the heater upwards; empty: not known
     * @param list<HoldDown> $holds what it holds plates with; empty: not said
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $filament,
        /** Of the seat that a plate lies on; of a round one the diameter. */
        public float $bedWidthMm,
        public float $bedDepthMm,
        /** Null: the bed has no heater. */
        public ?float $maxBedC,
        public float $maxNozzleC,
        public bool $enclosed,
        /** Null: plates are not held by magnets, or the magnets set no limit. */
        public ?float $magnetLimitC,
        /** What the shop's own soak test showed the magnets to stand, °C. */
        public ?float $magnetSoakC = null,
        /** What the heated chamber is kept at, °C; null: no heater in the chamber. */
        public ?float $chamberC = null,
        public ?float $heaterW = null,
        public ?float $heaterV = null,
        /** The most that the output for the heater may carry, A. */
        public ?float $limitA = null,
        public ProbeKind $probe = ProbeKind::Touch,
        /** Of an inductive probe, mm. */
        public ?float $probeRangeMm = null,
        /** How much thicker than the usual plate one may be before Z has no room left, mm. */
        public ?float $zTravelBelowMm = null,
        public ?float $usualPlateMm = null,
        /** The bed slings, and every part with it. */
        public bool $bedMoves = false,
        /** Up to which speed plates stay where they are, mm/s. */
        public ?float $plateHoldsToMmS = null,
        /** Looks for a mark on the plate before it prints. */
        public bool $looksForMark = false,
        /** Display − what the sensor's place really has, K. */
        public float $displayReadsHighK = 0.0,
        public array $bed = [],
        public array $holds = [],
        /** How thick a plate its clips take, mm; null: not known. */
        public ?float $clipsOpenMm = null,
        /** What the nozzle reaches; null: all of the seat. */
        public ?float $printWidthMm = null,
        public ?float $printDepthMm = null,
        public bool $bedRound = false,
        /** What the heater covers, cm²; null: all of the seat. */
        public ?float $heaterAreaCm2 = null,
        /** The heater is a printed circuit board, which bows when it is cooled under way. */
        public bool $boardHeater = false,
        /** Of the heater of the chamber; null: not known. */
        public ?float $chamberW = null,
        /** What the chamber takes to warm from a cold start, as the shop timed it; null: nobody did. */
        public ?float $chamberMinutes = null,
        /** With how much its magnets hold a corner of a plate, N; null: nobody pulled. */
        public ?float $magnetHoldsN = null,
        /** How hard it accelerates the bed, mm/s²; null: nobody said. */
        public ?float $bedAccelMmS2 = null,
    ) {
    }

    /** Whether it cools in air of its own. */
    public function isShut(): bool
    {
        return $this->enclosed || null !== $this->chamberC;
    }

    /** The air around a part on a surface of this temperature, °C; null: unheated. */
    public function airAroundC(float $roomC, ?float $surfaceC): float
    {
        return Surroundings::celsius($roomC, $surfaceC, $this->enclosed, $this->chamberC);
    }

    /**
     * What the nozzle reaches, mm.
     *
     * @return array{float, float} width and depth
     */
    public function printAreaMm(): array
    {
        return [$this->printWidthMm ?? $this->bedWidthMm, $this->printDepthMm ?? $this->bedDepthMm];
    }

    /** The air in it, °C: that of a heated chamber, else of the room. */
    public function airC(float $roomC): float
    {
        return max($roomC, $this->chamberC ?? $roomC);
    }

    public function bedAreaCm2(): float
    {
        return $this->bedWidthMm * $this->bedDepthMm / 100 * ($this->bedRound ? \M_PI / 4 : 1.0);
    }

    /** What the heater covers. */
    public function heatedCm2(): float
    {
        return $this->heaterAreaCm2 ?? $this->bedAreaCm2();
    }

    /** Of a round seat that of a square with its area, so that what is reckoned for an area is right. */
    public function bedSpanMm(float $sideMm): float
    {
        return $sideMm * ($this->bedRound ? sqrt(\M_PI) / 2 : 1.0);
    }

    /** The higher of what is rated and what the own soak test showed; null: no limit. */
    public function magnetStandsC(): ?float
    {
        return null === $this->magnetLimitC ? null : max($this->magnetLimitC, $this->magnetSoakC ?? 0.0);
    }
}
