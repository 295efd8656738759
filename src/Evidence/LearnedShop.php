<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\Database\StoredId;
use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Knowledge;
use Sitzplatz\Evidence\Learned\Learner;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Evidence\Learned\Posterior;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Shop;
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
        private readonly PrinterChanges $changes,
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
        $asked = $this->asked();
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
            $this->keep($of, $learner->shop(), $answers, $asked);
        }
    }

    /** What Choose asks of one material; before anything was learned what practice says. */
    public function known(string $material): Knowledge
    {
        $kept = [];
        foreach ($this->database->iterateNumeric(
            // What is of no material is the same for all that were never printed.
            "SELECT success, known FROM learned_material WHERE material_id IN (?, '') ORDER BY material_id",
            [$material],
        ) as [$success, $known]) {
            $kept[(string) $success] = (string) $known;
        }
        $of = static fn (Success $success): Posterior => isset($kept[$success->value])
            ? Posterior::kept($kept[$success->value])
            : Posterior::unlearned(Spreads::usual($success));

        return new Knowledge($of(Success::Held), $of(Success::Released));
    }

    /**
     * @param list<Answered>                     $answers
     * @param array<string, array<string, true>> $asked
     */
    private function keep(Success $of, Shop $shop, array $answers, array $asked): void
    {
        $materials = ['' => true];
        foreach ($answers as $answer) {
            $materials[$answer->situation->material()] = true;
        }
        $this->database->transactional(function () use ($of, $shop, $materials, $asked): void {
            $this->database->executeStatement('DELETE FROM learned_material WHERE success = ?', [$of->value]);
            foreach (array_keys($materials) as $material) {
                $known = $shop->known(static function (string $kind, string $level) use ($material, $asked): bool {
                    $name = EffectKind::from($kind)->nameIn($level, (string) $material);

                    return null !== $name && (!isset($asked[$kind]) || isset($asked[$kind][$name]));
                });
                $this->database->executeStatement(
                    'INSERT INTO learned_material (success, material_id, known) VALUES (?, ?, ?)',
                    [$of->value, (string) $material, $known->packed()],
                );
            }
        });
    }

    /** @return array<string, array<string, true>> what is still there, by kind; of other kinds all of it is */
    private function asked(): array
    {
        $of = fn (string $sql): array => array_fill_keys(array_map(StoredId::text(...), $this->database->fetchFirstColumn($sql)), true);
        $epochs = $this->changes->epochs();
        $printers = $of('SELECT id FROM printer WHERE retired = 0');

        return [
            EffectKind::Side->value => $of('SELECT ps.id FROM plate_side ps JOIN plate p ON p.id = ps.plate_id WHERE p.retired = 0'),
            EffectKind::Sheet->value => $of('SELECT ps.fitting_id FROM plate_side ps JOIN plate p ON p.id = ps.plate_id WHERE p.retired = 0'),
            EffectKind::Printer->value => $printers,
            EffectKind::Epoch->value => array_fill_keys(array_map(
                static fn (string $printer): string => "$printer\0".($epochs[$printer] ?? ''),
                array_keys($printers),
            ), true),
            EffectKind::Lot->value => $of('SELECT id FROM lot WHERE retired = 0'),
        ];
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
