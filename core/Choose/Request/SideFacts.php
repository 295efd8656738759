<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\PlateBuild;

/** One side of a plate on the shelf. */
final readonly class SideFacts
{
    /** Window glass of 3 mm stood a hot bed, 2 mm breaks (common practice). */
    public const SOUND_GLASS_MM = 3.0;

    /** @param list<Layer> $layers of the plate as it lies with this side up, from below; empty: not known */
    public function __construct(
        public string $id,
        public string $plateId,
        /** As it is called at the bench: plate number and side. */
        public string $label,
        public string $surfaceId,
        public float $widthMm,
        public float $depthMm,
        public HoldDown $heldBy,
        /** A limit of this plate below that of its kind, °C. */
        public ?float $ownLimitC = null,
        public array $layers = [],
        /** Carries the mark that some printers look for. */
        public bool $marked = true,
        /** What to pick as plate type in the slicer; "" for nothing in particular. */
        public string $slicerType = '',
        /** Price ÷ prints that its kind usually lasts; null: the price is not known. */
        public ?float $costPerPrint = null,
        /** On the printer of the job. */
        public ?MeasuredSurface $measured = null,
        /** How it is today. */
        public SideState $state = new SideState(),
        /** What the shop's own soak test showed the sheet to stand, °C. */
        public ?float $soakC = null,
        /** The printer that the plate belongs to. */
        public ?string $printerId = null,
        public bool $round = false,
        /** The sheet that lies on it. */
        public string $sheetId = '',
        /** What is glued to the bed that this one would lie on, and is stripped before; null: nothing. */
        public ?string $stripFirst = null,
    ) {
    }

    /**
     * What the surface stands here, °C: as rated or as soaked, and never more than this plate's own limit.
     *
     * @return float|null null: nobody knows what its kind stands, and nothing is noted at the sheet
     */
    public function standsC(Surface $surface): ?float
    {
        return null === $surface->limitC
            ? $this->ownLimitC ?? $this->soakC
            : min(max($surface->limitC, $this->soakC ?? 0.0), $this->ownLimitC ?? \INF);
    }

    /** What may be done with it, with this surface on. */
    public function build(Surface $surface): PlateBuild
    {
        return PlateBuild::of($surface, $this->layers, $this->heldBy->staysOn());
    }

    /** Null: the layers are not known. */
    public function thicknessMm(): ?float
    {
        return [] === $this->layers ? null : array_sum(array_map(static fn (Layer $layer): float => $layer->thicknessMm, $this->layers));
    }

    /** Null: the layers are not known. */
    public function massKg(): ?float
    {
        $areaM2 = $this->widthMm * $this->depthMm * ($this->round ? \M_PI / 4 : 1.0) * 1e-6;

        return [] === $this->layers ? null : $areaM2 * array_sum(array_map(
            static fn (Layer $layer): float => $layer->of->densityKgM3 * $layer->thicknessMm / 1000,
            $this->layers,
        ));
    }

    /** The thinnest pane of glass in it, mm, with what it is made of; null: there is none. */
    public function thinnestGlass(): ?Layer
    {
        $thinnest = null;
        foreach ($this->layers as $layer) {
            if ($layer->of->brittle && (null === $thinnest || $layer->thicknessMm < $thinnest->thicknessMm)) {
                $thinnest = $layer;
            }
        }

        return $thinnest;
    }

    /** How much colder than the plate a thing may be that it is laid on, K; null: it does not crack. */
    public function shockK(): ?float
    {
        $shocks = array_filter(array_map(static fn (Layer $layer): ?float => $layer->of->shockK, $this->layers));

        return [] === $shocks ? null : min($shocks);
    }

    /** Whether it has glass that breaks on a hot bed, or when something is pried off it. */
    public function thinGlass(): bool
    {
        $pane = $this->thinnestGlass();

        return null !== $pane && $pane->thicknessMm < self::SOUND_GLASS_MM - 1e-9;
    }

    /** What lies between the surface and the first metal below, mm; all of it where the plate has none. */
    public function aboveMetalMm(): ?float
    {
        if ([] === $this->layers) {
            return null;
        }
        $above = 0.0;
        foreach (array_reverse($this->layers) as $layer) {
            if ($layer->of->metal) {
                return $above;
            }
            $above += $layer->thicknessMm;
        }

        return $above;
    }
}
