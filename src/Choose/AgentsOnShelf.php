<?php

declare(strict_types=1);

namespace App\Choose;

use App\Shelf\AgentStock;
use Doctrine\ORM\EntityManagerInterface;

/** What a coat would be taken from today. */
final readonly class AgentsOnShelf
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** @return array<string, AgentStock> the agent last opened of each kind, by kind */
    public function byKind(?string $only = null): array
    {
        $stock = [];
        foreach ($this->entities->getRepository(AgentStock::class)->findBy(['retired' => false], ['openedOn' => 'DESC']) as $agent) {
            if (null === $only || $only === $agent->kindId) {
                $stock[$agent->kindId] ??= $agent;
            }
        }

        return $stock;
    }
}
