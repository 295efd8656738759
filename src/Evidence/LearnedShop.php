<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Sitzplatz\Evidence\Learned\Learner;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;

/** What the shop has learned from all its runs and prints, kept until it learns again. */
final class LearnedShop
{
    /** Prints after which it learns again where it is told again, and how often at most. */
    private const EVERY = 50;
    private const MOST_TIMES = 40;
    /** So much more of them are worth telling it all again. */
    private const MORE = 1.05;

    /** @var array<string, Learner> by what is learned: each goes on from where it stood, as long as this process does */
    private array $learners = [];

    public function __construct(
        private readonly Connection $database,
        private readonly AnsweredPrints $prints,
        private readonly ClockInterface $clock,
    ) {
    }

    /** Whether something was answered since it learned last. */
    public function isBehind(): bool
    {
        $last = $this->prints->lastAt();
        $learned = $this->database->fetchOne('SELECT MAX(last_answer_at) FROM learned');

        return null !== $last && (!\is_string($learned) || $learned < $last);
    }

    public function learn(): void
    {
        $last = $this->prints->lastAt();
        if (null === $last) {
            return;
        }
        foreach ($this->prints->all() as $name => $answers) {
            $of = Success::from($name);
            $learner = $this->learners[$name] ??= new Learner(Spreads::usual($of));
            $learner->learn($answers);
            $this->database->executeStatement(
                'REPLACE INTO learned (success, learned_at, last_answer_at, answers, lessons) VALUES (?, ?, ?, ?, ?)',
                [$name, UtcType::text($this->clock->now()), $last, \count($answers), json_encode(array_map(static fn (Lesson $lesson): array => [
                    'kind' => $lesson->kind->value,
                    'names' => explode("\0", $lesson->name),
                    'prints' => $lesson->prints,
                    'well' => $lesson->well,
                    'without' => $lesson->without,
                    'with' => $lesson->with,
                    'surely' => $lesson->surely,
                ], Lesson::of($learner->shop(), $answers)), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION)],
            );
        }
    }

    /**
     * Goes through all prints again, and says of each what would have been said by what was known then: so nobody has to believe what is
     * learned before it has shown itself.
     */
    public function tellAgain(): void
    {
        $told = $this->prints->told();
        $known = $this->database->fetchOne('SELECT prints FROM learned_told');
        if ([] === $told || (is_numeric($known) && \count($told) < self::MORE * (int) $known)) {
            return;
        }
        $lines = array_column($told, 0);
        $every = max(self::EVERY, (int) ceil(\count($told) / self::MOST_TIMES));
        $chances = Retrospect::through($lines, Success::Held, $every)->times(Retrospect::through($lines, Success::Released, $every));
        $score = ForecastScore::of(array_map(static fn (float $chance, array $of): Forecast => new Forecast($chance, $of[2]), $chances, $told));
        $said = ForecastScore::of(array_map(static fn (array $of): Forecast => new Forecast($of[1], $of[2]), $told));
        $this->database->executeStatement('REPLACE INTO learned_told (id, prints, brier, log, said_brier, said_log) VALUES (1, ?, ?, ?, ?, ?)', [
            \count($told),
            $score?->brier,
            $score?->log,
            $said?->brier,
            $said?->log,
        ]);
    }

    /** @return array{prints: int, brier: float, log: float, saidBrier: float, saidLog: float}|null null: nothing was told again yet */
    public function toldAgain(): ?array
    {
        $row = $this->database->fetchAssociative('SELECT prints, brier, log, said_brier, said_log FROM learned_told');

        return false === $row ? null : [
            'prints' => (int) $row['prints'],
            'brier' => (float) $row['brier'],
            'log' => (float) $row['log'],
            'saidBrier' => (float) $row['said_brier'],
            'saidLog' => (float) $row['said_log'],
        ];
    }

    /** @return list<array<string, mixed>> of each question: success, learned_at, answers, lessons */
    public function stored(): array
    {
        return $this->database->fetchAllAssociative('SELECT success, learned_at, answers, lessons FROM learned ORDER BY success');
    }
}
