<?php

declare(strict_types=1);

namespace App\Keep;

use App\Test\FinishedRuns;
use App\Test\Run;
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
    /** @var list<string> runs that a flush changes though they were finished */
    private array $changed = [];

    public function __construct(
        private readonly EvidenceRecount $recount,
        private readonly EntityManagerInterface $entities,
        private readonly Connection $database,
    ) {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        array_push($this->changed, ...array_map(static fn (Run $run): string => $run->id->toRfc4122(), FinishedRuns::changedBy($flush)));
    }

    public function postFlush(): void
    {
        [$changed, $this->changed] = [$this->changed, []];
        foreach ([] === $changed ? [] : $this->database->fetchFirstColumn(
            "SELECT id FROM profile WHERE status = ? AND imported = 0 AND JSON_OVERLAPS(JSON_EXTRACT(document, '$.evidence.runIds'), ?)",
            [Profile::VALIDATED, json_encode($changed, \JSON_THROW_ON_ERROR)],
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
