<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\Flushed;
use App\Test\Run;
use App\Test\Standing;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;
use Symfony\Component\Uid\Uuid;

/** Where a run that was finished is amended or turns out to be void, the profiles that it was signed for are counted again. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class EvidenceWatch
{
    /** @var array<string, string> runs that a flush changes though they were finished, by their id */
    private array $changed = [];

    public function __construct(
        private readonly EvidenceRecount $recount,
        private readonly EntityManagerInterface $entities,
        private readonly Connection $database,
    ) {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        $work = $flush->getObjectManager()->getUnitOfWork();
        foreach (Flushed::entities($flush) as $entity) {
            $run = match (true) {
                $entity instanceof Standing => $entity->part->run,
                $entity instanceof Run => $entity,
                default => null,
            };
            if (null !== $run && null !== ($work->getOriginalEntityData($run)['finishedAt'] ?? null)) {
                $id = $run->id->toRfc4122();
                $this->changed[$id] = $id;
            }
        }
    }

    public function postFlush(): void
    {
        [$changed, $this->changed] = [$this->changed, []];
        foreach ($changed as $runId) {
            foreach ($this->database->fetchFirstColumn(
                "SELECT id FROM profile WHERE status = ? AND imported = 0 AND JSON_CONTAINS(document, JSON_QUOTE(?), '$.evidence.runIds')",
                [Profile::VALIDATED, $runId],
            ) as $id) {
                $profile = \is_string($id) ? $this->entities->find(Profile::class, Uuid::fromBinary($id)) : null;
                if (null !== $profile) {
                    $this->recount->of($profile, true);
                    $this->database->executeStatement(
                        'UPDATE profile SET evidence_fails_since = ? WHERE id = ?',
                        [$profile->evidenceFailsSince?->format('Y-m-d'), $profile->id->toBinary()],
                    );
                }
            }
        }
    }
}
