<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Http\Answer;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The bench bar: what lies on the bench, by name, so that no page has to know the whole shelf for it. */
final readonly class BenchController
{
    public function __construct(private EntityManagerInterface $entities, private CurrentUser $current, private ShopCatalogue $shop)
    {
    }

    #[Route('/api/bench', name: 'getBench', methods: ['GET'])]
    public function bench(): Answer
    {
        $bench = $this->current->get()->bench();
        $side = $this->row(PlateSide::class, $bench['plateSideId'] ?? null);
        $lot = $this->row(Lot::class, $bench['lotId'] ?? null);
        $catalogue = $this->shop->get();

        return new Answer([
            'printer' => $this->row(Printer::class, $bench['printerId'] ?? null)?->name,
            'side' => $side?->label(),
            'surface' => null === $side ? null : $catalogue->surface($side->current()->surfaceId)->name,
            'agent' => $this->row(AgentStock::class, $bench['agentId'] ?? null)?->name,
            'lot' => $lot?->label,
            'material' => null === $lot ? null : $catalogue->material($lot->materialId)->name,
        ]);
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T|null
     */
    private function row(string $class, mixed $id): ?object
    {
        return \is_string($id) && Uuid::isValid($id) ? $this->entities->find($class, Uuid::fromString($id)) : null;
    }
}
