<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;

/** Has the tallies of what a flush changes counted again, in the same transaction. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class TallyKeeper
{
    /** @var array<string, string> setups whose finished runs a flush changes, by their id */
    private array $changed = [];

    public function __construct(private readonly RunTally $tally)
    {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        $work = $flush->getObjectManager()->getUnitOfWork();
        foreach ([...$work->getScheduledEntityInsertions(), ...$work->getScheduledEntityUpdates()] as $entity) {
            $run = match (true) {
                $entity instanceof Run => $entity,
                $entity instanceof Part => $entity->run,
                $entity instanceof Standing => $entity->part->run,
                default => null,
            };
            if (null !== $run?->finishedAt) {
                $id = $run->setup->id->toBinary();
                $this->changed[$id] = $id;
            }
        }
    }

    public function postFlush(): void
    {
        $changed = $this->changed;
        $this->changed = [];
        foreach ($changed as $setupId) {
            $this->tally->recount($setupId);
        }
    }
}
