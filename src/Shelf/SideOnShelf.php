<?php

declare(strict_types=1);

namespace App\Shelf;

use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Wear\Wear;

/** What is stored of a side of a plate, its sheet among it; to be read by the hundred. */
final readonly class SideOnShelf
{
    /** As it is called at the bench. */
    public string $label;

    /** @param list<array{of: string, mm: float|int, contactM2KW?: float|int|null}> $layers with the front up */
    public function __construct(
        public string $id,
        public string $plateId,
        public string $plateNumber,
        public string $face,
        public string $fittingId,
        public string $surfaceId,
        public ?float $limitC,
        public ?float $soakC,
        public float $widthMm,
        public float $depthMm,
        public HoldDown $heldBy,
        public array $layers,
        public bool $marked,
        public string $slicerType,
        public ?float $price,
        public ?string $printerId,
        public bool $round,
    ) {
        $this->label = self::label($plateNumber, $face);
    }

    public static function label(string $plateNumber, string $face): string
    {
        return $plateNumber.' '.$face;
    }

    /** @return list<array{of: string, mm: float|int, contactM2KW?: float|int|null}> as the plate lies with this side up, from below */
    public function layersUp(): array
    {
        return 'back' === $this->face ? array_reverse($this->layers) : $this->layers;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'face' => $this->face,
            'label' => $this->label,
            'plateId' => $this->plateId,
            'plateNumber' => $this->plateNumber,
            'printerId' => $this->printerId,
            'surfaceId' => $this->surfaceId,
            'layers' => $this->layersUp(),
        ];
    }

    /** @param self|null $glued to the bed that it would lie on */
    public function facts(Catalogue $catalogue, ?MeasuredSurface $measured, SideState $state, ?self $glued = null): SideFacts
    {
        return new SideFacts(
            $this->id,
            $this->plateId,
            $this->label,
            $this->surfaceId,
            $this->widthMm,
            $this->depthMm,
            $this->heldBy,
            $this->limitC,
            StoredLayers::read($this->layersUp(), $catalogue, laidOn: true),
            $this->marked,
            $this->slicerType,
            Wear::ofPlatePerPrint($this->price, $catalogue->surface($this->surfaceId)),
            $measured,
            $state,
            $this->soakC,
            $this->printerId,
            $this->round,
            $this->fittingId,
            null === $glued || $glued->plateId === $this->plateId ? null : $glued->label,
        );
    }
}
