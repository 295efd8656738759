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
use Sitzplatz\Evidence\Learned\Shop;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;

/** What the shop has learned from all its runs and prints, kept until it learns again. */
final class LearnedShop
{
    /** @var array<string, Learner> by what is learned: each goes on from where it stood, as long as this process does */
    private array $learners = [];
    private int $olderTold = 0;

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
        $this->learnOlder();
        foreach ($this->prints->all() as $name => $answers) {
            $of = Success::from($name);
            $learner = $this->learner($of);
            $learner->learn($answers);
            $this->database->executeStatement(
                'REPLACE INTO learned (success, learned_at, last_answer_at, answers, lessons) VALUES (?, ?, ?, ?, ?)',
                [$name, UtcType::text($this->clock->now()), $last, \count($answers), json_encode(array_map(
                    static fn (Lesson $lesson): array => $lesson->toArray(),
                    Lesson::of($learner->shop(), $answers),
                ), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION)],
            );
            $this->keep($of, $learner->shop(), $answers, $asked);
        }
    }

    /** Of more prints than are told each time again, those before them say where it begins; they are told anew when a tenth has come to them. */
    private function learnOlder(): void
    {
        $older = intdiv(max(0, $this->prints->count() - AnsweredPrints::MOST), intdiv(AnsweredPrints::MOST, 10));
        if ($older > $this->olderTold) {
            $this->olderTold = $older;
            foreach ($this->prints->all(older: true) as $name => $answers) {
                $this->learner(Success::from($name))->learnOlder($answers);
            }
        }
    }

    private function learner(Success $of): Learner
    {
        return $this->learners[$of->value] ??= new Learner(Spreads::usual($of));
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

    /** @return array{learnedAt: ?string, answers: int} when it was learned last, ISO 8601, and from how many answers on holding */
    public function learned(): array
    {
        $row = $this->database->fetchAssociative('SELECT learned_at, answers FROM learned WHERE success = ?', [Success::Held->value]);

        return [
            'learnedAt' => false === $row ? null : (new \DateTimeImmutable((string) $row['learned_at'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
            'answers' => false === $row ? 0 : (int) $row['answers'],
        ];
    }

    /** @return list<Lesson> the surest first */
    public function lessons(Success $of): array
    {
        $kept = $this->database->fetchOne('SELECT lessons FROM learned WHERE success = ?', [$of->value]);
        /** @var list<array{kind: string, names: list<string>, prints: int, well: int, without: float, with: float, surely: float}> $lessons */
        $lessons = \is_string($kept) ? json_decode($kept, true, 8, \JSON_THROW_ON_ERROR) : [];

        return array_map(Lesson::kept(...), $lessons);
    }

    /**
     * What was learned of holding on each sheet, where it is worse than its like.
     *
     * @return array<string, Lesson> by sheet
     */
    public function worseSheets(): array
    {
        $worse = [];
        foreach ($this->lessons(Success::Held) as $lesson) {
            if (EffectKind::Sheet === $lesson->kind && !$lesson->better()) {
                $worse[$lesson->name] = $lesson;
            }
        }

        return $worse;
    }
}
