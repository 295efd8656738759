<?php

declare(strict_types=1);

namespace App\Catalogue;

use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Symfony\Contracts\Service\ResetInterface;

/** The catalogue as this shop holds it true: ours, with the shop's own facts over it. */
final class ShopCatalogue implements ResetInterface
{
    private ?Catalogue $overlaid = null;

    public function __construct(private readonly Catalogue $ours, private readonly EntityManagerInterface $entities)
    {
    }

    public function get(): Catalogue
    {
        return $this->overlaid ??= $this->ours->with(array_map(
            fn (StoredFact $fact) => $fact->fact($this->ours->material($fact->materialId)->filament),
            array_values(array_filter($this->standing(), fn (StoredFact $fact): bool => isset($this->ours->materials[$fact->materialId]))),
        ));
    }

    /** What the catalogue itself says, without the shop. */
    public function ours(): Catalogue
    {
        return $this->ours;
    }

    /** @return list<StoredFact> oldest first, so that a later one stands over an earlier one */
    private function standing(): array
    {
        /* @var list<StoredFact> */
        return $this->entities->createQuery('SELECT f FROM '.StoredFact::class.' f WHERE f.withdrawnAt IS NULL ORDER BY f.createdAt, f.id')->getResult();
    }

    /** @return list<StoredFact> all that was ever held true of a pair, newest first */
    public function recordOf(string $materialId, string $surfaceId): array
    {
        /* @var list<StoredFact> */
        return $this->entities->createQuery('SELECT f FROM '
            .StoredFact::class
            .' f WHERE f.materialId = :m AND f.surfaceId = :s ORDER BY f.createdAt DESC, f.id DESC')
            ->setParameter('m', $materialId)->setParameter('s', $surfaceId)->getResult();
    }

    public function reset(): void
    {
        $this->overlaid = null;
    }
}
