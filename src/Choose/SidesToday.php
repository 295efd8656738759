<?php

declare(strict_types=1);

namespace App\Choose;

use App\Care\PlateHistory;
use App\Catalogue\ShopCatalogue;
use App\Evidence\EvidenceRepository;
use App\Evidence\PrinterChanges;
use App\Shelf\PlateRepository;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use App\Shelf\SurfaceMeasurementRepository;
use Psr\Clock\ClockInterface;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobOnPrinter;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Wear\SideHistory;

/** The plate sides as they are today for one printer: built, measured, printed on, washed and coated. */
final readonly class SidesToday
{
    public function __construct(
        private ShopCatalogue $shop,
        private PlateRepository $plates,
        private SurfaceMeasurementRepository $measurements,
        private PlateHistory $history,
        private PrinterChanges $changes,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<SideFacts> all that are in use */
    public function all(Printer $printer): array
    {
        return $this->onEach([$printer], false, $this->plates->sidesOnShelf())[$printer->id->toRfc4122()];
    }

    /**
     * @param non-empty-list<Printer> $printers
     * @param bool                    $ownOnly  what belongs to another printer stays there
     * @param list<SideOnShelf>       $sides    all that are in use
     *
     * @return non-empty-array<string, list<SideFacts>> by printer
     */
    public function onEach(array $printers, bool $ownOnly, array $sides): array
    {
        $history = $this->history->all();
        $measured = $this->measurements->latestOn($printers);
        $each = [];
        foreach ($printers as $printer) {
            $id = $printer->id->toRfc4122();
            $glued = self::gluedTo($id, $sides);
            $each[$id] = $this->facts($printer, $ownOnly ? array_values(array_filter(
                $sides,
                static fn (SideOnShelf $side): bool => JobOnPrinter::liesThere($side->printerId, $id),
            )) : $sides, $history, $measured[$id] ?? [], $glued);
        }

        return $each;
    }

    /** @param list<SideOnShelf> $sides */
    private static function gluedTo(string $printerId, array $sides): ?SideOnShelf
    {
        foreach ($sides as $side) {
            if (HoldDown::Glue === $side->heldBy && $side->printerId === $printerId) {
                return $side;
            }
        }

        return null;
    }

    public function one(Printer $printer, PlateSide $side): SideFacts
    {
        return $this->facts(
            $printer,
            [$side->onShelf()],
            $this->history->all($side),
            $this->measurements->latestOn([$printer])[$printer->id->toRfc4122()] ?? [],
            self::gluedTo($printer->id->toRfc4122(), $this->plates->sidesOnShelf()),
        )[0];
    }

    /**
     * @param list<SideOnShelf>              $sides
     * @param array<string, SideHistory>     $history  by side
     * @param array<string, MeasuredSurface> $measured on this printer, by fitting
     *
     * @return ($sides is non-empty-list ? non-empty-list<SideFacts> : array{})
     */
    private function facts(Printer $printer, array $sides, array $history, array $measured, ?SideOnShelf $glued): array
    {
        $catalogue = $this->shop->get();
        $changes = $this->changes->of($printer->id->toRfc4122());
        $now = EvidenceRepository::seconds($this->clock->now());

        return array_map(static function (SideOnShelf $side) use ($catalogue, $measured, $history, $changes, $now, $glued): SideFacts {
            // A side that is only just being entered has seen nothing.
            $seen = $history[$side->id] ?? new SideHistory(0, 0);

            return $side->facts($catalogue, $measured[$side->fittingId] ?? null, SideState::of(
                $seen,
                $catalogue->agents[$seen->coatAgentKindId ?? ''] ?? null,
                $changes,
                $side->plateId,
                $now,
            ), $glued);
        }, $sides);
    }
}
