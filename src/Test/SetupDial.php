<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use App\Shelf\SurfaceMeasurementRepository;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
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

    /** @param list<Printer> $printers that will be asked for: what was measured on all of them is read at once */
    public function readAhead(array $printers): void
    {
        $this->measured += $this->measurements->latestOn($printers);
    }

    public function ofSetup(Setup $setup): ?Dial
    {
        return $this->at($setup->bedFirstC, $setup->comparison->printer, $setup->side, $setup->comparison->roomC);
    }

    public function at(?float $displayC, Printer $printer, PlateSide $side, float $roomC): ?Dial
    {
        return null === $displayC ? null : $this->on($displayC, $printer, $side->onShelf(), $roomC);
    }

    public function on(float $displayC, Printer $printer, SideOnShelf $side, float $roomC): Dial
    {
        $facts = $printer->facts($this->shop->get());

        return Dial::at($displayC, $facts, $this->facts($printer, $side), $facts->airC($roomC));
    }

    public function side(Printer $printer, PlateSide $side): SideFacts
    {
        return $this->facts($printer, $side->onShelf());
    }

    private function facts(Printer $printer, SideOnShelf $side): SideFacts
    {
        $id = $printer->id->toRfc4122();
        isset($this->measured[$id]) || $this->readAhead([$printer]);

        return $side->facts($this->shop->get(), $this->measured[$id][$side->fittingId] ?? null, new SideState());
    }
}
