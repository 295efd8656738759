<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\Flushed;
use App\Shelf\Fitting;
use App\Shelf\Printer;
use App\Test\Job;
use App\Test\Run;
use App\Test\Standing;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Event\PostFlushEventArgs;
use Doctrine\ORM\Events;
use Sitzplatz\Test\Life\JobStatus;

/**
 * Holds each answered print for use and each finished run against the profiles it was made by, in the same transaction; what it
 * finds, lists read.
 */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class DriftWatch
{
    /** @var array<string, array{Fitting, Printer, string}> sheet, printer and material of what was made */
    private array $made = [];

    public function __construct(private readonly PrintsSince $prints)
    {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        foreach (Flushed::entities($flush) as $entity) {
            $run = $entity instanceof Standing ? $entity->part->run : $entity;
            $made = match (true) {
                $run instanceof Job && JobStatus::Answered === $run->status => [$run->fitting, $run->printer, $run->materialId],
                $run instanceof Run && null !== $run->finishedAt => [$run->setup->fitting, $run->comparison->printer, $run->setup->materialId],
                default => null,
            };
            if (null !== $made) {
                $this->made["{$made[0]->id}/{$made[1]->id}/$made[2]"] = $made;
            }
        }
    }

    public function postFlush(PostFlushEventArgs $flush): void
    {
        [$made, $this->made] = [$this->made, []];
        foreach ($made as [$fitting, $printer, $materialId]) {
            // Whether they fit in all else, their prints and runs say.
            foreach ($flush->getObjectManager()->getRepository(Profile::class)->findBy([
                'fitting' => $fitting,
                'printer' => $printer,
                'materialId' => $materialId,
                'status' => [Profile::VALIDATED, Profile::TRIAL],
            ]) as $profile) {
                $this->look($flush->getObjectManager(), $profile);
            }
        }
    }

    /** Looks at all signed profiles again. */
    public function rebuild(EntityManagerInterface $entities): void
    {
        $entities->getConnection()->executeStatement('DELETE FROM profile_tally');
        foreach ($entities->getRepository(Profile::class)->findBy(['status' => [Profile::VALIDATED, Profile::TRIAL]]) as $profile) {
            $this->look($entities, $profile);
        }
    }

    private function look(EntityManagerInterface $entities, Profile $profile): void
    {
        [, $drift] = $this->prints->of($profile);
        $entities->getConnection()->executeStatement(
            'REPLACE INTO profile_tally (profile_id, drift, drifted_on) VALUES (?, ?, ?)',
            [$profile->id->toBinary(), $drift?->kind?->value, $drift?->on],
        );
    }
}
