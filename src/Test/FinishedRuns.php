<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Flushed;
use Doctrine\ORM\Event\OnFlushEventArgs;

/** Runs on which something may rest already. */
final class FinishedRuns
{
    /** @return list<Run> that a flush changes, or readings of theirs, though they were finished before it; one that it finishes is none */
    public static function changedBy(OnFlushEventArgs $flush): array
    {
        $work = $flush->getObjectManager()->getUnitOfWork();
        $changed = [];
        foreach (Flushed::entities($flush) as $entity) {
            $run = match (true) {
                $entity instanceof Standing => $entity->part->run,
                $entity instanceof Run => $entity,
                default => null,
            };
            if (null !== $run && null !== ($work->getOriginalEntityData($run)['finishedAt'] ?? null)) {
                $changed[$run->id->toRfc4122()] = $run;
            }
        }

        return array_values($changed);
    }
}
