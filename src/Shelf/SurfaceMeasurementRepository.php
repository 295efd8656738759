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

    /**
     * @param list<Printer> $printers
     *
     * @return array<string, array<string, MeasuredSurface>> the latest on each printer, by key of the fitting; of the sheets that are on a
     *                                                       plate now
     */
    public function latestOn(array $printers): array
    {
        $facts = array_fill_keys(array_map(static fn (Printer $printer): string => $printer->id->toRfc4122(), $printers), []);
        $latest = [];
        foreach ([] === $printers ? [] : $this->entities->getConnection()->iterateAssociative(
            'SELECT m.printer_id, m.fitting_id, m.display_c, m.surface_c, m.room_c, m.created_at FROM surface_measurement m
             JOIN plate_side s ON s.fitting_id = m.fitting_id WHERE m.printer_id IN ('.implode(', ', array_fill(0, \count($printers), '?')).')
             ORDER BY m.created_at, m.id',
            array_map(static fn (Printer $printer): string => $printer->id->toBinary(), $printers),
        ) as $row) {
            $latest[$row['printer_id'].$row['fitting_id']] = $row;
        }
        foreach ($latest as $row) {
            $facts[StoredId::text($row['printer_id'])][StoredId::text($row['fitting_id'])] = new MeasuredSurface(
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
