<?php

declare(strict_types=1);

namespace App\Shelf;

use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Request\MeasuredSurface;

/** Measured surface temperatures. */
final readonly class SurfaceMeasurementRepository
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @return array<string, MeasuredSurface> the latest on this printer, by key of the fitting */
    public function latestOn(Printer $printer): array
    {
        $latest = [];
        foreach ($this->of($printer) as $measurement) {
            $latest[$measurement->fitting->id->toRfc4122()] = $measurement->facts();
        }

        return $latest;
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

    /** @return list<SurfaceMeasurement> oldest first */
    private function of(Printer $printer): array
    {
        /* @var list<SurfaceMeasurement> */
        return $this->entities->createQuery('SELECT m FROM '.SurfaceMeasurement::class.' m WHERE m.printer = :p ORDER BY m.createdAt, m.id')
            ->setParameter('p', $printer->id, 'uuid')->getResult();
    }
}
