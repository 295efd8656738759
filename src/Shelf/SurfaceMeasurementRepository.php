<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\StoredId;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Request\MeasuredSurface;

/** Measured surface temperatures. */
final readonly class SurfaceMeasurementRepository
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @return array<string, MeasuredSurface> the latest on this printer, by key of the fitting; of the sheets that are on a plate now */
    public function latestOn(Printer $printer): array
    {
        $latest = [];
        foreach ($this->entities->getConnection()->iterateAssociative(
            'SELECT m.fitting_id, m.display_c, m.surface_c, m.room_c, m.created_at FROM surface_measurement m
             JOIN plate_side s ON s.fitting_id = m.fitting_id WHERE m.printer_id = ? ORDER BY m.created_at, m.id',
            [$printer->id->toBinary()],
        ) as $row) {
            $latest[(string) $row['fitting_id']] = $row;
        }
        $facts = [];
        foreach ($latest as $fitting => $row) {
            $facts[StoredId::text($fitting)] = new MeasuredSurface(
                (float) $row['display_c'],
                (float) $row['surface_c'],
                (float) $row['room_c'],
                substr((string) $row['created_at'], 0, 10),
            );
        }

        return $facts;
    }

    /** @return list<SurfaceMeasurement> newest first */
    public function recent(): array
    {
        /* @var list<SurfaceMeasurement> */
        return $this->entities->createQuery(
            'SELECT m, p, f, s, pl FROM '
                .SurfaceMeasurement::class
                .' m JOIN m.printer p JOIN m.fitting f JOIN f.side s JOIN s.plate pl ORDER BY m.createdAt DESC, m.id DESC',
        )->setMaxResults(200)->getResult();
    }
}
