<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\Life\Fact\RunFact;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\Life\RefusalKind;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\Touched;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Carries out what somebody wants of a run: locks its comparison against being closed meanwhile and the run against
 * others, asks the core, and writes what follows, in one transaction. Who comes second finds what the first has done.
 */
final readonly class RunCommands
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Transaction $transaction,
        private StoredEdit $edit,
        private RunBook $book,
        private Now $now,
    ) {
    }

    /**
     * @param array<string, mixed>|null              $body        what was sent, with the "version" that it rests on; null: on none
     * @param \Closure(RunState, Run): list<RunFact> $command
     * @param float                                  $heldSeconds how long a device without network kept it
     *
     * @throws Problem if the run is not there, was changed meanwhile, or refuses
     */
    public function carryOut(string $runId, ?array $body, Author $by, ReadingSource $source, \Closure $command, float $heldSeconds = 0.0): Run
    {
        $comparisonId = $this->edit->find(Run::class, $runId)->comparison->id->toRfc4122();
        try {
            return $this->transaction->run(function () use ($runId, $comparisonId, $body, $by, $source, $command, $heldSeconds): Run {
                $this->edit->locked(Comparison::class, $comparisonId, LockMode::PESSIMISTIC_READ);
                $run = $this->edit->locked(Run::class, $runId);
                null === $body || StoredEdit::rests($run, $body);
                $at = self::touched($this->lastChange($run), $this->now->time(), $heldSeconds);
                $facts = self::asked(fn (): array => $command($this->book->state($run, $at, $this->printerHeldBy($run)), $run));
                $this->book->write($run, $facts, $by, $at, $source);
                // A mark on the map is nothing that somebody else's next step rests on.
                [] === array_filter($facts, static fn (RunFact $fact): bool => !$fact instanceof Marked) || ++$run->version;
                $this->entities->flush();

                return $run;
            });
        } catch (UniqueConstraintViolationException $e) {
            // Two runs reached for the printer at the same moment.
            if (str_contains($e->getMessage(), 'occupies')) {
                throw Problem::busy($e);
            }
            throw $e;
        }
    }

    /**
     * @template T
     *
     * @param \Closure(): T $ask
     *
     * @return T
     *
     * @throws Problem in place of a refusal
     */
    public static function asked(\Closure $ask): mixed
    {
        try {
            return $ask();
        } catch (Refusal $refusal) {
            throw match ($refusal->kind) {
                RefusalKind::Entry => Problem::invalid($refusal->field, $refusal->sentence, previous: $refusal),
                RefusalKind::State => Problem::invalid($refusal->field, $refusal->sentence, 409, $refusal),
                RefusalKind::Person => Problem::forbidden($refusal->sentence),
            };
        }
    }

    /** When something was said that a device without network kept; never before the last change that arrived. */
    public static function touched(\DateTimeImmutable $last, \DateTimeImmutable $now, float $heldSeconds): \DateTimeImmutable
    {
        $seconds = Touched::secondsAgo($heldSeconds, (float) $now->format('U.u') - (float) $last->format('U.u'));

        return $now->modify(\sprintf('-%d microseconds', (int) round(1e6 * $seconds)));
    }

    /** Of a run that nobody has begun: of what was made on its printer before; that it was planned is no touch. */
    private function lastChange(Run $run): \DateTimeImmutable
    {
        if (null === $run->startedAt) {
            $before = $this->entities->getConnection()->fetchOne(
                'SELECT MAX(r.finished_at) FROM run r JOIN comparison k ON k.id = r.comparison_id WHERE k.printer_id = ?',
                [$run->comparison->printer->id->toBinary()],
            );

            return \is_string($before) ? max($run->createdAt, new \DateTimeImmutable($before, new \DateTimeZone('UTC'))) : $run->createdAt;
        }

        return max($run->startedAt, $run->stepBeganAt ?? $run->startedAt, $run->outcomeSaidAt ?? $run->startedAt);
    }

    private function printerHeldBy(Run $run): ?Sentence
    {
        $other = $this->entities->getRepository(Run::class)->findOneBy(['occupies' => $run->comparison->printer]);

        return null === $other || $other === $run ? null : Sentence::of(
            'run.of',
            run: Quantity::count($other->position),
            comparison: $other->comparison->title,
        );
    }
}
