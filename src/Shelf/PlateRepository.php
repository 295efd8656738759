<?php

declare(strict_types=1);

namespace App\Shelf;

use Doctrine\ORM\EntityManagerInterface;

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

    /** @return list<PlateSide> sides of plates that are in use */
    public function sidesInUse(): array
    {
        /* @var list<PlateSide> */
        return $this->entities->createQuery(
            'SELECT s, p, f FROM '.PlateSide::class.' s JOIN s.plate p JOIN s.fitting f WHERE p.retired = false ORDER BY p.number, s.face DESC',
        )->getResult();
    }
}
