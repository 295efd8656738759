<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Test\BedAfterFirstLayer;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What is to be printed, where, in which room, and what somebody wishes. */
final readonly class JobRequest
{
    /** So near its softening point a chamber lets a part sag and clogs the hot end (common practice; the figure is ours), K. */
    private const SOFT_NEAR_K = 15.0;
    /** So near the edge of its bed a plate is cooler (common practice; the figure is ours), mm. */
    private const EDGE_MM = 20.0;
    /** From so many parts on, practice speaks of a full plate (our own choice). */
    public const FULL_PLATE = 10;

    /** @param list<Material> $also */
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
        /** Null: what is advised for the part on each surface. */
        public ?Foothold $foothold = null,
        /** What somebody sets the display to; null: what the set-point asks for. */
        public ?float $bedC = null,
        /** Nozzle in the first layer; null: what the material asks for. */
        public ?float $nozzleC = null,
        /** Days since the lot was dried; null: not known. */
        public ?int $driedDaysAgo = null,
        /** The plate side that lies on the printer now. */
        public ?SideFacts $lyingThere = null,
        public Wishes $wishes = new Wishes(),
        /** First-layer gap that somebody sets, mm; null: as the pair asks for. */
        public ?float $gapMm = null,
        public FileFacts $file = new FileFacts(),
        /** What the label of the lot recommends for the bed, °C. */
        public ?float $labelBedC = null,
        /** A run of a comparison, and no print for use. */
        public bool $isTest = false,
        /** What else is printed right on the plate, beside the material: a second colour, a support, an inlay. */
        public array $also = [],
    ) {
    }

    /** The same job with some of it otherwise; null leaves it as it is. */
    public function with(?int $partCount = null, ?float $minutes = null, ?Foothold $foothold = null, ?float $bedC = null, ?float $gapMm = null): self
    {
        return new self(
            $this->material,
            $this->printer,
            $this->roomC,
            $this->lotId,
            $partCount ?? $this->partCount,
            $this->widthMm,
            $this->depthMm,
            $minutes ?? $this->minutes,
            $this->part,
            $foothold ?? $this->foothold,
            $bedC ?? $this->bedC,
            $this->nozzleC,
            $this->driedDaysAgo,
            $this->lyingThere,
            $this->wishes,
            $gapMm ?? $this->gapMm,
            $this->file,
            $this->labelBedC,
            $this->isTest,
            $this->also,
        );
    }

    /**
     * The same job in each of its materials alone: that which it is asked for first. What is known of its lot is known of that one.
     *
     * @return non-empty-list<self>
     */
    public function eachMaterial(?float $bedC = null): array
    {
        $bedC ??= $this->bedC;

        return array_map(fn (Material $material): self => new self(
            $material,
            $this->printer,
            $this->roomC,
            $material === $this->material ? $this->lotId : null,
            $this->partCount,
            $this->widthMm,
            $this->depthMm,
            $this->minutes,
            $this->part,
            $this->foothold,
            $bedC,
            $material === $this->material ? $this->nozzleC : null,
            $material === $this->material ? $this->driedDaysAgo : null,
            $this->lyingThere,
            $this->wishes,
            $this->gapMm,
            $this->file,
            $material === $this->material ? $this->labelBedC : null,
            $this->isTest,
        ), [$this->material, ...$this->also]);
    }

    /** Whether what is printed reaches to where the bed is cooler, near its edge. */
    public function reachesTheEdge(): bool
    {
        [$width, $depth] = $this->printer->printAreaMm();

        return null !== $this->widthMm && null !== $this->depthMm
            && (max($this->widthMm, $this->depthMm) > max($width, $depth) - 2 * self::EDGE_MM
                || min($this->widthMm, $this->depthMm) > min($width, $depth) - 2 * self::EDGE_MM);
    }

    /** The air that plate and part give their heat to while printing, °C: that of a heated chamber, else of the room. */
    public function airC(): float
    {
        return $this->printer->airC($this->roomC);
    }

    /** What all parts of the plate take up for each degree, J/K. */
    public function partsJK(): float
    {
        return null === $this->part ? 0.0 : $this->partCount * $this->part->heatJK();
    }

    /** What all parts of the plate weigh: by the heat that they take up, at 1.5 J/gK as there. */
    public function partsKg(): float
    {
        return $this->partsJK() / 1500;
    }

    /** First-layer nozzle temperature to go by, °C; null for a resin. */
    public function firstLayerNozzleC(): ?float
    {
        return $this->nozzleC ?? (null === $this->material->nozzleC ? null : ($this->material->nozzleC[0] + $this->material->nozzleC[1]) / 2);
    }

    /** @return list<Sentence> what is to be known before any plate is looked at */
    public function notes(): array
    {
        $notes = [];
        $wet = $this->material->wet($this->driedDaysAgo);
        if (null !== $wet) {
            $notes[] = $wet;
        }
        if ($this->roomC < Target::COLD_ROOM_C && $this->material->filament) {
            $notes[] = Sentence::of('job.cold_room', room: Quantity::celsius($this->roomC), more: Quantity::kelvin(Target::COLD_ROOM_ADDS_K));
        }
        $nozzle = $this->material->nozzleC;
        if (null !== $this->file->nozzleC && null !== $nozzle && ($this->file->nozzleC < $nozzle[0] - 5 || $this->file->nozzleC > $nozzle[1] + 10)) {
            $notes[] = Sentence::of(
                'job.file_nozzle',
                set: Quantity::celsius($this->file->nozzleC),
                material: $this->material->name,
                low: Quantity::celsius($nozzle[0]),
                high: Quantity::celsius($nozzle[1]),
            );
        }
        $stiffens = $this->material->stiffensC();
        $chamber = $this->printer->chamberC;
        if (null !== $chamber && null !== $stiffens && null === $this->material->crystallisesC && $chamber > $stiffens - self::SOFT_NEAR_K) {
            $notes[] = Sentence::of(
                'job.chamber_softens',
                chamber: Quantity::celsius($chamber),
                material: $this->material->name,
                softens: Quantity::celsius($stiffens, 1),
            );
        }
        $later = $this->file->bedLaterC;
        $lowered = null === $later ? null : BedAfterFirstLayer::caution($this->file->bedC, $later > 0 ? $later : null, false);
        if (null !== $lowered) {
            $notes[] = $lowered;
            if ($this->printer->boardHeater) {
                $notes[] = Sentence::of('job.board_bows', printer: $this->printer->name);
            }
        }
        if (null !== $this->part && $this->part->slenderness() >= PartFacts::TALL && $this->printer->bedMoves) {
            $notes[] = Sentence::of('job.slings', printer: $this->printer->name);
        }

        return $notes;
    }
}
