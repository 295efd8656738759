<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SurfaceMeasurementRepository;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\Dial;
use Symfony\Contracts\Service\ResetInterface;

/** What a setting of the display means on a side of the shelf, as it was measured there or by its layers. */
final class SetupDial implements ResetInterface
{
    /** @var array<string, array<string, MeasuredSurface>> by printer and fitting */
    private array $measured = [];

    public function __construct(private readonly ShopCatalogue $shop, private readonly SurfaceMeasurementRepository $measurements)
    {
    }

    public function reset(): void
    {
        $this->measured = [];
    }

    public function ofSetup(Setup $setup): ?Dial
    {
        return $this->at($setup->bedFirstC, $setup->comparison->printer, $setup->side, $setup->comparison->roomC);
    }

    public function at(?float $displayC, Printer $printer, PlateSide $side, float $roomC): ?Dial
    {
        $facts = $printer->facts($this->shop->get());

        return null === $displayC ? null : Dial::at($displayC, $facts, $this->side($printer, $side), $facts->airC($roomC));
    }

    public function side(Printer $printer, PlateSide $side): SideFacts
    {
        $measured = $this->measured[$printer->id->toRfc4122()] ??= $this->measurements->latestOn($printer);

        return $side->facts($this->shop->get(), $measured[$side->current()->id->toRfc4122()] ?? null);
    }
}
