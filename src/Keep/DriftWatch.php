<?php

declare(strict_types=1);

namespace App\Keep;

use App\Test\Job;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Event\PostFlushEventArgs;
use Doctrine\ORM\Events;
use Sitzplatz\Test\Life\JobStatus;

/** Holds each answered print for use against the profiles it was made by, in the same transaction; what it finds, lists read. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class DriftWatch
{
    /** @var list<Job> */
    private array $answered = [];

    public function __construct(private readonly PrintsSince $prints)
    {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        $work = $flush->getObjectManager()->getUnitOfWork();
        foreach ([...$work->getScheduledEntityInsertions(), ...$work->getScheduledEntityUpdates()] as $entity) {
            if ($entity instanceof Job && JobStatus::Answered === $entity->status) {
                $this->answered[] = $entity;
            }
        }
    }

    public function postFlush(PostFlushEventArgs $flush): void
    {
        [$answered, $this->answered] = [$this->answered, []];
        foreach ($answered as $job) {
            foreach ($this->profilesOf($flush->getObjectManager(), $job) as $profile) {
                $this->look($flush->getObjectManager(), $profile);
            }
        }
    }

    /** Looks at all signed profiles again. */
    public function rebuild(EntityManagerInterface $entities): void
    {
        foreach ($entities->getRepository(Profile::class)->findBy(['status' => [Profile::VALIDATED, Profile::TRIAL]]) as $profile) {
            $this->look($entities, $profile);
        }
    }

    private function look(EntityManagerInterface $entities, Profile $profile): void
    {
        [, $drift, $days] = $this->prints->of($profile);
        $entities->getConnection()->executeStatement(
            'REPLACE INTO profile_tally (profile_id, prints, drift, drifted_on) VALUES (?, ?, ?, ?)',
            [$profile->id->toBinary(), \count($days), $drift?->kind?->value, null === $drift?->since ? null : $days[$drift->since]],
        );
    }

    /** @return list<Profile> signed ones of the same sheet, printer and material; whether they fit in all, their prints say */
    private function profilesOf(EntityManagerInterface $entities, Job $job): array
    {
        return array_values($entities->getRepository(Profile::class)->findBy([
            'fitting' => $job->fitting,
            'printer' => $job->printer,
            'materialId' => $job->materialId,
            'status' => [Profile::VALIDATED, Profile::TRIAL],
        ]));
    }
}
