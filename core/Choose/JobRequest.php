<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Material;
use Sitzplatz\Units\Figure;

/** What is to be printed, where, in which room, and what somebody wishes. */
final readonly class JobRequest
{
    /** From so many parts on, practice speaks of a full plate (our own choice). */
    public const FULL_PLATE = 10;

    public function __construct(
        public Material $material,
        public PrinterFacts $printer,
        public float $roomC,
        public ?string $lotId = null,
        public int $partCount = 1,
        /** Footprint of the job on the plate, mm. */
        public ?float $widthMm = null,
        public ?float $depthMm = null,
        public ?float $minutes = null,
        public ?PartFacts $part = null,
        public Foothold $foothold = new Foothold(FootholdKind::None),
        /** What somebody sets the display to; null: what the set-point asks for. */
        public ?float $bedC = null,
        /** Nozzle in the first layer; null: what the material asks for. */
        public ?float $nozzleC = null,
        /** Days since the lot was dried; null: not known. */
        public ?int $driedDaysAgo = null,
        /** The plate side that lies on the printer now. */
        public ?SideFacts $lyingThere = null,
        public Wishes $wishes = new Wishes(),
    ) {
    }

    public function full(): bool
    {
        return $this->partCount >= self::FULL_PLATE;
    }

    /** First-layer nozzle temperature to go by, °C; null for a resin. */
    public function firstLayerNozzleC(): ?float
    {
        return $this->nozzleC ?? (null === $this->material->nozzleC ? null : ($this->material->nozzleC[0] + $this->material->nozzleC[1]) / 2);
    }

    /** @return list<string> what is to be known before any plate is looked at */
    public function notes(): array
    {
        $notes = [];
        $drying = $this->material->drying;
        if (null !== $drying && null !== $this->driedDaysAgo && $this->driedDaysAgo > $drying->goodDays) {
            $notes[] = \sprintf(
                'This lot was dried %d days ago; %s stays fit for about %d. Dry it first, %.0f h at %.0f °C: wet filament lays a poor first layer that looks like bad adhesion.',
                $this->driedDaysAgo,
                $this->material->name,
                $drying->goodDays,
                $drying->hours,
                $drying->celsius,
            );
        }
        if ($this->roomC < Target::COLD_ROOM_C && $this->material->filament) {
            $notes[] = \sprintf('A cold room, %s °C: close windows, keep drafts and fans away; the bed gets 5 °C more where the window allows it.', Figure::short($this->roomC));
        }
        if (null !== $this->part && $this->part->slenderness() >= PartFacts::TALL && $this->printer->bedMoves) {
            $notes[] = \sprintf('The bed of %s slings: a tall part is shaken. Print slower, or lay it down.', $this->printer->name);
        }

        return $notes;
    }
}
