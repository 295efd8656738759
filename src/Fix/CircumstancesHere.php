<?php

declare(strict_types=1);

namespace App\Fix;

use App\Care\PlateHistory;
use App\Care\PrintsOnSheet;
use App\Catalogue\ShopCatalogue;
use App\Evidence\EvidenceRepository;
use App\Evidence\LearnedShop;
use App\Evidence\PrinterChanges;
use App\Platform\Now;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Fix\Circumstances;
use Sitzplatz\Fix\FailedWhere;
use Sitzplatz\Wear\SideHistory;

/** What the shop knows of a plate, a printer and a lot, as somebody sees who asks what is wrong. */
final readonly class CircumstancesHere
{
    public function __construct(
        private PlateHistory $history,
        private PrinterChanges $changes,
        private ShopCatalogue $shop,
        private Now $now,
        private LearnedShop $learned,
        private PrintsOnSheet $prints,
    ) {
    }

    /** What the marks of the sheet say of where it fails; null: they are too few. */
    public function failedWhere(PlateSide $side): ?FailedWhere
    {
        return FailedWhere::ofMarks(array_map(
            static fn (array $mark): array => ['x' => $mark['x'], 'y' => $mark['y']],
            $this->prints->marks($side, $this->history->all($side)[$side->id->toRfc4122()]->coatedAt ?? null),
        ));
    }

    public function of(
        ?PlateSide $side,
        ?Printer $printer,
        ?Lot $lot,
        ?float $roomC,
        ?FailedWhere $where = null,
        ?PartFacts $part = null,
    ): Circumstances {
        $catalogue = $this->shop->get();
        $history = null === $side ? null : $this->history->all($side)[$side->id->toRfc4122()] ?? null;
        $surface = null === $side ? null : $catalogue->surface($side->current()->surfaceId);
        $coat = null === $history?->coatAgentKindId ? null : $catalogue->agents[$history->coatAgentKindId] ?? null;
        $facts = $side?->facts($catalogue);
        $today = $this->now->time();
        $days = static fn (?string $at): ?int => null === $at ? null : (int) (new \DateTimeImmutable($at))->diff($today)->days;

        $advice = null === $part ? null : FootholdAdvice::for($part, 1, $surface, null === $lot ? null : $catalogue->material($lot->materialId));

        return new Circumstances(
            $surface,
            $history,
            $days($history?->lastPrintAt),
            null === $coat || null === $surface ? null : $coat->coatPrintsOn($surface->id),
            null === $lot || null === $surface ? null : $catalogue->pairing($lot->materialId, $surface->id),
            null !== $side && null !== $printer && null !== $history && $this->changedSinceHeld($side, $printer, $history),
            $printer?->enclosed,
            $printer?->boardHeater,
            null === $facts ? null : HoldDown::Magnet === $facts->heldBy,
            $printer?->bedMoves,
            $facts?->thicknessMm(),
            $roomC,
            $lot?->driedDaysAgo($today),
            null === $lot ? null : $catalogue->material($lot->materialId)->drying?->goodDays,
            $days($lot?->openedOn?->format('Y-m-d')),
            $this->worse($side, $printer, $lot),
            $where,
            $advice?->foothold->helps(),
            $advice?->sentence,
        );
    }

    /** @return list<Lesson> the surest first */
    private function worse(?PlateSide $side, ?Printer $printer, ?Lot $lot): array
    {
        $printerId = $printer?->id->toRfc4122() ?? '';
        $here = [
            EffectKind::Sheet->value => $side?->current()->id->toRfc4122(),
            EffectKind::Printer->value => $printerId,
            EffectKind::Epoch->value => "$printerId\0".$this->changes->epoch($printerId),
            EffectKind::Lot->value => null === $lot ? null : EffectKind::Lot->level($lot->materialId, $lot->id->toRfc4122()),
        ];

        return array_values(array_filter(
            $this->learned->lessons(Success::Held),
            static fn (Lesson $lesson): bool => !$lesson->better() && ($here[$lesson->kind->value] ?? null) === $lesson->name,
        ));
    }

    private function changedSinceHeld(PlateSide $side, Printer $printer, SideHistory $history): bool
    {
        if (null === $history->lastHeldAt) {
            return false;
        }
        $held = EvidenceRepository::seconds(new \DateTimeImmutable($history->lastHeldAt));
        foreach ($this->changes->of($printer->id->toRfc4122()) as $change) {
            if ($change->questions($side->plate->id->toRfc4122(), $held)) {
                return true;
            }
        }

        return false;
    }
}
