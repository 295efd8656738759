<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\StoredId;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Request\HoldDown;

/** Plates with their sides and fittings, in one query. */
final readonly class PlateRepository
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @return list<Plate> */
    public function all(): array
    {
        /* @var list<Plate> */
        return $this->entities->createQuery(
            'SELECT p, s, f FROM '.Plate::class.' p LEFT JOIN p.sides s LEFT JOIN s.fitting f ORDER BY p.number, s.face DESC',
        )->getResult();
    }

    /** @return list<SideOnShelf> sides of plates that are in use, as the database has them: nothing is built to be changed */
    public function sidesOnShelf(): array
    {
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $sides = $layers = [];
        foreach ($this->entities->getConnection()->iterateNumeric(
            'SELECT s.id, s.plate_id, p.number, s.face, f.id, f.surface_id, f.limit_c, f.soak_c, p.width_mm, p.depth_mm, p.held_by, p.layers, p.marked,
                p.slicer_type, p.price, p.printer_id, p.round
             FROM plate_side s JOIN plate p ON p.id = s.plate_id JOIN fitting f ON f.id = s.fitting_id WHERE p.retired = 0 ORDER BY p.number, s.face DESC',
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
