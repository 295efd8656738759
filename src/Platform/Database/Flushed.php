<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Event\OnFlushEventArgs;

/** What a flush writes, for whoever keeps something by it in the same transaction. */
final class Flushed
{
    /** @return list<object> new, changed or taken away */
    public static function entities(OnFlushEventArgs $flush): array
    {
        $work = $flush->getObjectManager()->getUnitOfWork();

        return array_values([...$work->getScheduledEntityInsertions(), ...$work->getScheduledEntityUpdates(), ...$work->getScheduledEntityDeletions()]);
    }
}
