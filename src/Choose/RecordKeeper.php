<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Database\Flushed;
use App\Test\Job;
use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\Event\OnFlushEventArgs;
use Doctrine\ORM\Events;
use Sitzplatz\Choose\Expectation\OwnRecord;
use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\LogisticLine;
use Sitzplatz\Test\Life\JobStatus;

/** Learns from each answered print what chances of its kind have come to, in the same transaction; Choose reads the three lines. */
#[AsDoctrineListener(Events::onFlush)]
#[AsDoctrineListener(Events::postFlush)]
final class RecordKeeper
{
    /** @var array<int, int> classes of which a print was answered */
    private array $answered = [];

    public function __construct(private readonly Connection $database)
    {
    }

    public function onFlush(OnFlushEventArgs $flush): void
    {
        foreach (Flushed::entities($flush) as $entity) {
            if ($entity instanceof Job && JobStatus::Answered === $entity->status && null !== $entity->recordClass) {
                $this->answered[$entity->recordClass] = $entity->recordClass;
            }
        }
    }

    public function postFlush(): void
    {
        [$answered, $this->answered] = [$this->answered, []];
        foreach ($answered as $class) {
            $this->learn($class);
        }
    }

    /** Learns all of it again. */
    public function rebuild(): void
    {
        $this->database->executeStatement('DELETE FROM record_tally');
        foreach ($this->database->fetchFirstColumn('SELECT DISTINCT record_class FROM job WHERE record_class IS NOT NULL') as $class) {
            $this->learn(is_numeric($class) ? (int) $class : 0);
        }
    }

    public function record(): OwnRecord
    {
        $lines = [];
        foreach ($this->database->iterateAssociative('SELECT record_class, alpha, beta FROM record_tally') as $row) {
            $lines[(int) $row['record_class']] = new LogisticLine((float) $row['alpha'], (float) $row['beta']);
        }

        return new OwnRecord($lines);
    }

    private function learn(int $class): void
    {
        $forecasts = [];
        foreach ($this->database->iterateAssociative(
            "SELECT uncorrected_chance, came_true FROM job WHERE record_class = ? AND status = 'answered' ORDER BY answered_at DESC LIMIT ".OwnRecord::LATELY,
            [$class],
        ) as $row) {
            $forecasts[] = new Forecast((float) $row['uncorrected_chance'], (bool) $row['came_true']);
        }
        $line = OwnRecord::learn($forecasts);
        $this->database->executeStatement(
            'REPLACE INTO record_tally (record_class, prints, alpha, beta) VALUES (?, ?, ?, ?)',
            [$class, \count($forecasts), $line->alpha, $line->beta],
        );
    }
}
