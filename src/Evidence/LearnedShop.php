<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Sitzplatz\Evidence\Learned\Learner;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;

/** What the shop has learned from all its runs and prints, kept until it learns again. */
final readonly class LearnedShop
{
    public function __construct(private Connection $database, private AnsweredPrints $prints, private ClockInterface $clock)
    {
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
            $learner = new Learner(Spreads::usual($of));
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

    /** @return list<array<string, mixed>> of each question: success, learned_at, answers, lessons */
    public function stored(): array
    {
        return $this->database->fetchAllAssociative('SELECT success, learned_at, answers, lessons FROM learned ORDER BY success');
    }
}
