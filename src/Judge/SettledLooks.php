<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Now;
use App\Test\Comparison;
use App\Test\FinishedRuns;
use App\Test\RunRepository;
use App\Test\Setup;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;
use Sitzplatz\CoreVersion;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Finding;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/**
 * Keeps what looks have settled. More runs never change it, as a look reads the runs in the order in which they were begun; an
 * amendment of one of them, or one that turns out to be void, may: so it is written down before that, and what contradicts it is said.
 */
#[AsDoctrineListener(Events::onFlush)]
final readonly class SettledLooks
{
    public function __construct(private RunRepository $runs, private Now $now)
    {
    }

    /** Nothing of the flush is in the database yet: what is read here is how it was. */
    public function onFlush(OnFlushEventArgs $flush): void
    {
        $touched = [];
        foreach (FinishedRuns::changedBy($flush) as $run) {
            $touched[$run->setup->id->toRfc4122()] = $run->setup;
        }
        foreach ($touched as $setup) {
            $this->keep($flush->getObjectManager(), $setup);
        }
    }

    /** @return array<string, list<SettledLook>> of each setup, by its id, the oldest first */
    public function of(EntityManagerInterface $entities, Comparison $comparison): array
    {
        $looks = [];
        $oldestFirst = ['createdAt' => 'ASC', 'id' => 'ASC'];
        foreach ($entities->getRepository(SettledLook::class)->findBy(['setup' => $comparison->setups->toArray()], $oldestFirst) as $look) {
            $looks[$look->setup->id->toRfc4122()][] = $look;
        }

        return $looks;
    }

    /**
     * @param list<SettledLook> $looks of the setup
     *
     * @return Sentence|null what was settled and is not what the runs say as they stand; null: nothing
     */
    public static function contradicted(array $looks, bool $hold, Finding $now): ?Sentence
    {
        foreach ($looks as $look) {
            $then = $hold ? $look->hold : $look->letsGo;
            if ($then->contradictedBy($now->answer)) {
                return Sentence::of(
                    'looks.contradicted_'.($hold ? 'hold_' : 'release_').$then->value,
                    day: new Day($look->createdAt->format('Y-m-d')),
                );
            }
        }

        return null;
    }

    private function keep(EntityManagerInterface $entities, Setup $setup): void
    {
        $place = array_search($setup, array_values($setup->comparison->setups->toArray()), true);
        if (!\is_int($place)) {
            return;
        }
        $evidence = $this->runs->records($setup->comparison);
        $judged = SetupJudgement::of($evidence['records'][$place], $setup->comparison->plan());
        if (Answer::NotYet === $judged->hold->answer && Answer::NotYet === $judged->release->answer) {
            return;
        }
        $look = new SettledLook(
            Uuid::v7(),
            $this->now->time(),
            $setup,
            $judged->hold->answer,
            $judged->release->answer,
            $evidence['runsOf'][$place],
            CoreVersion::NUMBER,
        );
        $entities->persist($look);
        $entities->getUnitOfWork()->computeChangeSet($entities->getClassMetadata(SettledLook::class), $look);
    }
}
