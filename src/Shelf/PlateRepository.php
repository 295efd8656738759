<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\KeyedPage;
use App\Platform\Database\StoredId;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Request\HoldDown;
use Symfony\Component\Uid\Uuid;

/** Plates with their sides and fittings. */
final readonly class PlateRepository
{
    public function __construct(private EntityManagerInterface $entities, private KeyedPage $page)
    {
    }

    /**
     * @param string $find  words that all have to stand in number, note, printer, surface or its lot
     * @param string $after id of the last that was shown; "" to begin
     *
     * @return list<Plate> by number
     */
    public function page(string $find, string $after, bool $retired): array
    {
        $ids = $this->page->named(
            'plate t LEFT JOIN printer r ON r.id = t.printer_id',
            'plate',
            'number',
            "CONCAT_WS(' ', t.number, t.note, r.name, (
                SELECT GROUP_CONCAT(REPLACE(f.surface_id, '_', ' '), ' ', f.surface_lot SEPARATOR ' ')
                FROM plate_side s JOIN fitting f ON f.id = s.fitting_id WHERE s.plate_id = t.id
            ))",
            $find,
            $after,
            $retired ? '' : 't.retired = 0',
        );
        /** @var list<Plate> $plates */
        $plates = $this->entities->createQuery(
            'SELECT p, s, f FROM '.Plate::class.' p LEFT JOIN p.sides s LEFT JOIN s.fitting f WHERE p.id IN (:ids) ORDER BY s.face DESC',
        )->setParameter('ids', $ids)->getResult();

        return KeyedPage::ordered($ids, $plates);
    }

    /** @return list<SideOnShelf> sides of plates that are in use, as the database has them: nothing is built to be changed */
    public function sidesOnShelf(): array
    {
        return $this->sides('p.retired = 0', []);
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, SideOnShelf> by id; those of plates that are out of use, too
     */
    public function sidesOf(array $ids): array
    {
        return [] === $ids ? [] : array_column($this->sides(
            's.id IN ('.implode(', ', array_fill(0, \count($ids), '?')).')',
            array_map(static fn (string $id): string => Uuid::fromString($id)->toBinary(), $ids),
        ), null, 'id');
    }

    /**
     * @param list<string> $parameters of the condition
     *
     * @return list<SideOnShelf>
     */
    private function sides(string $where, array $parameters): array
    {
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $sides = $layers = [];
        foreach ($this->entities->getConnection()->iterateNumeric(
            'SELECT s.id, s.plate_id, p.number, s.face, f.id, f.surface_id, f.limit_c, f.soak_c, p.width_mm, p.depth_mm, p.held_by, p.layers, p.marked,
                p.slicer_type, p.price, p.printer_id, p.round
             FROM plate_side s JOIN plate p ON p.id = s.plate_id JOIN fitting f ON f.id = s.fitting_id WHERE '.$where.'
             ORDER BY NATURAL_SORT_KEY(p.number), s.face DESC',
            $parameters,
        ) as [$id, $plate, $name, $face, $fitting, $surface, $limit, $soak, $width, $depth, $held, $layer, $marked, $slicer, $price, $printer, $round]) {
            $layers[$layer] ??= json_decode((string) $layer, true, 16, \JSON_THROW_ON_ERROR);
            $sides[] = new SideOnShelf(
                StoredId::text($id),
                StoredId::text($plate),
                (string) $name,
                (string) $face,
                StoredId::text($fitting),
                (string) $surface,
                $number($limit),
                $number($soak),
                (float) $width,
                (float) $depth,
                HoldDown::from((string) $held),
                $layers[$layer],
                (bool) $marked,
                (string) $slicer,
                $number($price),
                StoredId::textOrNull($printer),
                (bool) $round,
            );
        }

        return $sides;
    }
}
