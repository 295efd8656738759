<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Platform\Words\Wording;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\Fact\Began;
use Sitzplatz\Test\Life\Fact\DeclaredVoid;
use Sitzplatz\Test\Life\Fact\Finished;
use Sitzplatz\Test\Life\Fact\FinishTakenBack;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\Life\Fact\MeasureNotTaken;
use Sitzplatz\Test\Life\Fact\OutcomeSaid;
use Sitzplatz\Test\Life\Fact\PrintBegan;
use Sitzplatz\Test\Life\Fact\PrinterLeft;
use Sitzplatz\Test\Life\Fact\PrinterTaken;
use Sitzplatz\Test\Life\Fact\PrintMeasured;
use Sitzplatz\Test\Life\Fact\ReadingTaken;
use Sitzplatz\Test\Life\Fact\RunFact;
use Sitzplatz\Test\Life\Fact\RunRepeated;
use Sitzplatz\Test\Life\Fact\StepReached;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\Steps;
use Sitzplatz\Words\Phrase;
use Symfony\Component\Uid\Uuid;

/** Reads the state of a run for the core, and writes down the facts that it gives back. */
final readonly class RunBook
{
    public function __construct(private EntityManagerInterface $entities, private Wording $wording, private Measures $measures, private Steps $steps)
    {
    }

    /** @param Phrase|null $printerHeldBy the run that holds the printer; null: it is free, or held by this one */
    public function state(Run $run, \DateTimeImmutable $now, ?Phrase $printerHeldBy = null): RunState
    {
        $ago = static fn (?\DateTimeImmutable $at): ?float => null === $at ? null : (float) $now->format('U.u') - (float) $at->format('U.u');

        return new RunState(
            $run->pull,
            $run->comparison->status,
            $run->status,
            $this->steps->of($run->step) ?? RunStep::Prepare,
            $run->outcome,
            $ago($run->outcomeSaidAt),
            $run->madeById?->toRfc4122(),
            array_values(array_filter($run->part()->standing->map(fn (Standing $each) => $each->stands($this->measures))->toArray())),
            $run->notTaken,
            null !== $run->occupies,
            $printerHeldBy,
            $run->setup->side->plate->heldBy->staysOn(),
            $ago($run->printBeganAt),
            null !== $run->printMinutes,
            $run->comparison->taken(),
            $this->steps,
            Printer::FILAMENT === $run->comparison->printer->kind,
            $run->setup->takenHot,
            $run->parts->count(),
            $run->comparison->coatStays(),
            $run->comparison->coatStays() && $this->coatGone($run),
            $ago($run->finishedAt),
            $run->comparison->runDurations()->printMinutes,
        );
    }

    private function coatGone(Run $run): bool
    {
        return false !== $this->entities->getConnection()->fetchOne(
            "SELECT 1 FROM run WHERE comparison_id = ? AND setup_id = ? AND visit > ? AND status <> 'planned' LIMIT 1",
            [$run->comparison->id->toBinary(), $run->setup->id->toBinary(), $run->visit],
        );
    }

    /** @param list<RunFact> $facts */
    public function write(Run $run, array $facts, Author $by, \DateTimeImmutable $at, ReadingSource $source): void
    {
        foreach ($facts as $fact) {
            match (true) {
                $fact instanceof Began => self::begin($run, $by, $at),
                $fact instanceof StepReached => self::step($run, $fact, $at),
                $fact instanceof OutcomeSaid => self::outcome($run, $fact, $at),
                $fact instanceof ReadingTaken => $this->read($run, $fact, $by, $at, $source),
                $fact instanceof MeasureNotTaken => $run->notTaken = [...$run->notTaken, $fact->measure->value => $this->wording->english($fact->reason)],
                $fact instanceof Marked => $this->entities->persist(
                    new PlateMark($source->key ?? Uuid::v7(), $at, $run, $fact->kind, $fact->x, $fact->y, $fact->place, $by->name),
                ),
                $fact instanceof PrintBegan => $run->printBeganAt = $at,
                $fact instanceof PrintMeasured => $run->printMinutes = $fact->minutes,
                $fact instanceof PrinterTaken => $run->occupies = $run->comparison->printer,
                $fact instanceof PrinterLeft => $run->occupies = null,
                $fact instanceof Finished => self::end($run, RunStatus::Done, $at),
                $fact instanceof FinishTakenBack => self::goOn($run),
                $fact instanceof DeclaredVoid => $this->void($run, $fact, $by, $at),
                $fact instanceof RunRepeated => $this->entities->persist(new Run(
                    Uuid::v7(),
                    $at,
                    $run->comparison,
                    $run->setup,
                    $fact->position,
                    $run->visit,
                    $run->pull,
                    true,
                    $run->comparison->roomC,
                    $run->spot,
                )),
                default => throw new \LogicException($fact::class.' is not written down yet.'),
            };
        }
    }

    private static function begin(Run $run, Author $by, \DateTimeImmutable $at): void
    {
        $run->status = RunStatus::Running;
        $run->startedAt = $at;
        $run->seeAir();
        $run->madeBy = $by->name;
        $run->madeById = $by->id;
    }

    private static function step(Run $run, StepReached $fact, \DateTimeImmutable $at): void
    {
        $run->step = $fact->step->key();
        $run->stepBeganAt = $at;
    }

    private static function outcome(Run $run, OutcomeSaid $fact, \DateTimeImmutable $at): void
    {
        $run->outcome = $fact->outcome;
        $run->outcomeNote = $fact->note;
        $run->outcomeSaidAt ??= $at;
    }

    private static function end(Run $run, RunStatus $status, \DateTimeImmutable $at): void
    {
        $run->status = $status;
        $run->finishedAt ??= $at;
    }

    private static function goOn(Run $run): void
    {
        $run->status = RunStatus::Running;
        $run->finishedAt = null;
    }

    private function void(Run $run, DeclaredVoid $fact, Author $by, \DateTimeImmutable $at): void
    {
        self::end($run, RunStatus::Void, $at);
        $run->voidReason = $this->wording->english($fact->reason);
        $run->voidedBy = $by->name;
        $run->voidedById = $by->id;
        $run->voidedAlone = $fact->alone;
    }

    private function read(Run $run, ReadingTaken $fact, Author $by, \DateTimeImmutable $at, ReadingSource $source): void
    {
        $reading = $fact->reading;
        $standing = null;
        foreach ($run->part()->standing as $each) {
            $standing = $each->measure === $reading->measure->key() && $each->place === $fact->place ? $each : $standing;
        }
        $written = $source->written[$reading] ?? null;
        $stored = new StoredReading(
            $source->key ?? Uuid::v7(),
            $at,
            $run->part(),
            $reading->measure->key(),
            $reading->value,
            $reading->atLeast,
            $written['value'] ?? $source->enteredValue ?? $reading->value,
            $written['unit'] ?? $source->enteredUnit ?? $reading->measure->units()[0],
            $source->kind,
            $by->name,
            $by->id,
            $fact->place,
            $standing?->reading,
            null === $fact->reason ? '' : $this->wording->english($fact->reason),
            $source->gaugeId,
            $source->simulated,
            $source->thermometerId,
        );
        $this->entities->persist($stored);
        if (null === $standing) {
            $standing = new Standing($run->part(), $reading->measure->key(), $fact->place, $stored);
            $run->part()->standing->add($standing);
            $this->entities->persist($standing);
        }
        $standing->reading = $stored;
        $run->take($reading);
    }
}
