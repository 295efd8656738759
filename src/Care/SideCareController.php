<?php

declare(strict_types=1);

namespace App\Care;

use App\Catalogue\ShopCatalogue;
use App\Evidence\LearnedShop;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Care\SheetLife;
use Sitzplatz\Care\SpotMap;
use Sitzplatz\Care\SpotUse;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Wear\Wear;
use Symfony\Component\Routing\Attribute\Route;

/** One side of a plate as a map: spots used, coat by spot, damage, where the next part goes, and how long it is good for. */
final readonly class SideCareController
{
    /** Of the last prints it is said how many held. */
    private const LATELY = 20;

    public function __construct(
        private EntityManagerInterface $entities,
        private StoredEdit $edit,
        private PlateHistory $history,
        private PrintsOnSheet $prints,
        private ShopCatalogue $shop,
        private Now $now,
        private LearnedShop $learned,
    ) {
    }

    #[Route('/api/plate-sides/{id}/care', name: 'getSideCare', methods: ['GET'])]
    public function get(string $id): Answer
    {
        $side = $this->edit->find(PlateSide::class, $id);
        $catalogue = $this->shop->get();
        $fitting = $side->current();
        $surface = $catalogue->surface($fitting->surfaceId);
        $counts = $this->history->all($side)[$side->id->toRfc4122()];
        $coat = $catalogue->agents[$counts->coatAgentKindId ?? ''] ?? null;
        $lasts = $coat?->coatPrintsOn($surface->id);
        $plate = $side->plate;
        $marks = $this->prints->marks($side, $counts->coatedAt);
        $map = SpotMap::of($this->prints->places($side, $counts->coatedAt), $marks, $lasts, $plate->widthMm, $plate->depthMm, $plate->round);
        $wipes = $this->prints->wipes($side);
        $life = SheetLife::of($surface->lifePrints, $this->prints->replaced($surface->id), $counts->printsSinceFitting, $surface->alcoholWears ? $wipes : 0);
        $months = $life->months($counts->printsSinceFitting, $fitting->createdAt->diff($this->now->time())->days / (365.25 / 12));
        $last = $this->prints->last($side);
        $lately = \array_slice(array_filter($last, static fn (array $each): bool => null !== $each['held']), -self::LATELY);
        $standing = $this->standing($counts->lastPrintAt, $counts->washedAt);

        return new Answer([
            'id' => $side->id->toRfc4122(),
            'label' => $side->label(),
            'plateId' => $plate->id->toRfc4122(),
            'surfaceId' => $surface->id,
            'surfaceName' => $surface->name,
            'surfaceLot' => $fitting->surfaceLot,
            'fittedAt' => $fitting->createdAt->format(\DATE_ATOM),
            'map' => [
                'widthMm' => $plate->widthMm,
                'depthMm' => $plate->depthMm,
                'round' => $plate->round,
                'columns' => $map->columns,
                'rows' => $map->rows,
                'fields' => array_map(self::field(...), $map->fields),
                'next' => null === $map->next ? null : self::field($map->next),
                'why' => $map->why,
                'marks' => array_map(static fn (array $mark): array => ['kind' => $mark['kind']->value, 'x' => $mark['x'], 'y' => $mark['y']], $marks),
            ],
            'due' => (new CareDue(
                $counts,
                $coat,
                $surface,
                $this->learned->worseSheets()[$fitting->id->toRfc4122()] ?? null,
                $catalogue,
                $this->now->time()->format(\DATE_ATOM),
            ))->sentences(),
            'cleaning' => $surface->cleaning,
            'prints' => $counts->printsSinceFitting,
            'printsSinceWash' => $counts->printsSinceWash,
            'washedAt' => $counts->washedAt,
            'wipes' => $wipes,
            'wipesWear' => $surface->alcoholWears,
            'boughtOn' => $plate->purchasedOn?->format('Y-m-d'),
            'spots' => array_map(static fn (PlateSpot $spot): array => ['value' => $spot->value, 'words' => $spot->words()], PlateSpot::cases()),
            'daysStanding' => $standing,
            'dusty' => null !== $standing && Wear::dusty($standing),
            'damages' => $counts->damages,
            'coat' => null === $counts->coatedAt || null === $lasts ? null : [
                'name' => $counts->coatAgentName,
                'at' => $counts->coatedAt,
                'most' => $counts->printsOnCoat,
                'lasts' => $lasts,
            ],
            'lately' => ['held' => \count(array_filter($lately, static fn (array $each): bool => true === $each['held'])), 'of' => \count($lately)],
            'life' => ['low' => $life->low, 'middle' => $life->middle, 'high' => $life->high, 'sentence' => $life->sentence(), 'months' => $months],
            'costPerPrint' => $this->cost($side, $counts->coatAgentKindId),
            'last' => $last,
            'done' => $this->prints->done($side),
        ]);
    }

    /** @return array<string, mixed> */
    private static function field(SpotUse $field): array
    {
        return get_object_vars($field);
    }

    /** Days since it was last printed on or washed; null: never. */
    private function standing(?string ...$times): ?int
    {
        $last = max('', ...array_map(static fn (?string $at): string => $at ?? '', $times));

        return '' === $last ? null : (int) (new \DateTimeImmutable($last))->diff($this->now->time())->days;
    }

    /** What a print on it takes of plate and coat; null: a price is not known. */
    private function cost(PlateSide $side, ?string $coatKindId): ?float
    {
        $catalogue = $this->shop->get();
        $surfaceId = $side->current()->surfaceId;
        $stock = null === $coatKindId ? null : $this->entities->getRepository(AgentStock::class)->findOneBy(['kindId' => $coatKindId, 'retired' => false]);

        return Wear::perPrint(
            Wear::ofPlatePerPrint($side->plate->price, $catalogue->surface($surfaceId)),
            null === $coatKindId ? null : $catalogue->agent($coatKindId),
            $stock?->facts()->costPerCoat,
            $surfaceId,
        );
    }
}
