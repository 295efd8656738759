<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\SheetStep;
use Sitzplatz\Test\Steps;
use Sitzplatz\Test\Taken;
use Sitzplatz\Words\Phrase;

/** All that decides on what may be done with a run. */
final readonly class RunState
{
    /**
     * @param list<StandingReading> $standing
     * @param array<string, string> $notTaken reasons by measure
     */
    public function __construct(
        public PullKind $pull,
        public ComparisonStatus $comparison,
        public RunStatus $status = RunStatus::Planned,
        public SheetStep $step = RunStep::Prepare,
        public ?Outcome $outcome = null,
        /** Seconds since the outcome was said; null while it is not. */
        public ?float $outcomeSaidSecondsAgo = null,
        /** Who began it, by id; null: nobody yet. */
        public ?string $madeBy = null,
        public array $standing = [],
        public array $notTaken = [],
        /** Whether this run holds its printer now. */
        public bool $occupiesPrinter = false,
        /** The run that holds the printer of this one; null: it is free, or held by this one. */
        public ?Phrase $printerHeldBy = null,
        /** The plate cannot be taken off its printer. */
        public bool $plateFixed = false,
        /** Since the print began; null: it did not. */
        public ?float $printBeganSecondsAgo = null,
        /** Whether the length of the print is known already. */
        public bool $printMeasured = false,
        public Taken $taken = new Taken(),
        public Steps $steps = new Steps(),
        /** Of the printer; else it prints resin. */
        public bool $filament = true,
        /** Its setup asks how a part comes off hot. */
        public bool $takenHot = false,
        /** Parts on the plate. */
        public int $parts = 1,
        /** It is one of several prints on one coat, which goes on without it. */
        public bool $coatStays = false,
        /** That coat is off by now: the next one was begun. */
        public bool $coatGone = false,
        /** Since it was finished; null: it is not. */
        public ?float $finishedSecondsAgo = null,
        /** That its print takes by the plan; null: nobody knows. */
        public ?float $plannedPrintMinutes = null,
    ) {
    }

    public function of(Measured $measure, int $place = 1): ?StandingReading
    {
        foreach ($this->standing as $each) {
            if ($each->reading->measure === $measure && $each->place === $place) {
                return $each;
            }
        }

        return null;
    }

    public function byId(string $id): ?StandingReading
    {
        foreach ($this->standing as $each) {
            if ($each->id === $id) {
                return $each;
            }
        }

        return null;
    }

    /** How long the print took by the stamps of the steps, minutes; null: it was not led by the sheet, or is not over. */
    public function printByStampsMinutes(): ?float
    {
        $seconds = ($this->printBeganSecondsAgo ?? 0.0) - ($this->outcomeSaidSecondsAgo ?? 0.0);

        return null === $this->printBeganSecondsAgo || null === $this->outcomeSaidSecondsAgo || $seconds <= 0 ? null : $seconds / 60;
    }

    /** What the clock shows, where it does not measure the print: whoever knows is asked how long it was. */
    public function printAskedMinutes(): ?float
    {
        return $this->printMeasured ? null : $this->printByStampsMinutes();
    }

    /** @return list<SheetStep> */
    public function sequence(): array
    {
        return $this->steps->sequence($this->pull, $this->outcome?->pullPossible() ?? true, $this->filament);
    }

    /** @return list<Measure> what the plan wants of this run and nobody has entered or marked as not taken */
    public function missing(): array
    {
        return $this->missingWhere($this->outcome?->held());
    }

    /**
     * @param bool|null $held whether the print held; null: nobody has said
     *
     * @return list<Measure> what the plan would still want then
     */
    public function missingWhere(?bool $held): array
    {
        return Completeness::missing(
            $this->pull,
            $held,
            array_map(static fn (StandingReading $each): Measured => $each->reading->measure, $this->standing),
            array_map(Measure::from(...), array_keys($this->notTaken)),
            $this->taken,
            $this->takenHot,
        );
    }
}
