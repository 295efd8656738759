<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Completeness;
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
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\OnePersonShop;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PrintLength;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\SheetStep;
use Sitzplatz\Test\VoidRule;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The life of a run: planned, made step by step, finished; or void, with a reason, and then repeated. Each command takes
 * the state that the run is in and gives the facts that follow, or refuses; run sheet, import, command line and demo all
 * go through it.
 */
final class RunLife
{
    /** The sheet shows whole minutes. */
    private const STAMP_ROUNDING_MINUTES = 1.0;

    /**
     * @return list<RunFact>
     *
     * @throws Refusal if the run is not open, has no such step, or its printer is held by another
     */
    public static function moveTo(RunState $run, SheetStep $to): array
    {
        self::open($run);
        $sequence = $run->sequence();
        $at = array_search($to, $sequence, true);
        if (false === $at) {
            throw Refusal::entry('step', Sentence::of('run.no_such_step'));
        }
        if (null === $run->outcome && $at > (int) array_search(RunStep::FirstLayer, $sequence, true)) {
            throw Refusal::entry('outcome', Sentence::of('run.say_held_first'));
        }

        $print = (int) array_search(RunStep::FirstLayer, $sequence, true);
        $before = (int) array_search($run->step, $sequence, true);
        // Gone back and started anew, it is another print.
        $began = $before < $print && $at >= $print ? [new PrintBegan()] : [];

        return [...self::begun($run), new StepReached($to), ...$began, ...self::printer($run, $to)];
    }

    /**
     * @return list<RunFact>
     *
     * @throws Refusal if the run is not open
     */
    public static function sayOutcome(RunState $run, Outcome $outcome, string $note): array
    {
        self::open($run);
        $clock = ($run->printBeganSecondsAgo ?? 0.0) / 60;
        $measured = null !== $run->printBeganSecondsAgo && !$run->printMeasured && PrintLength::measured($clock, $run->plannedPrintMinutes)
            ? [new PrintMeasured($clock)] : [];
        $facts = [...self::begun($run), ...$measured, ...self::outcome($run, $outcome, $note, Sentence::of('run.outcome_changed', outcome: $outcome->words()))];
        // A part that came off has no pull: the sheet goes on with looking at it.
        if (!\in_array($run->step, $run->steps->sequence($run->pull, $outcome->pullPossible(), $run->filament), true)) {
            array_push($facts, new StepReached(RunStep::Inspect), ...self::printer($run, RunStep::Inspect));
        }

        return $facts;
    }

    /**
     * Takes a reading; one of the same measure and place that stands is crossed out by it.
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run is not open, or gives no such reading
     */
    public static function enter(RunState $run, Reading $reading, int $place = 1): array
    {
        self::open($run);
        $measure = $reading->measure;
        if (Measure::Held === $measure) {
            throw Refusal::entry('measure', Sentence::of('run.held_is_outcome'));
        }
        if ($measure instanceof Measure && $measure->isForce() && $run->pull->measure() !== $measure) {
            throw Refusal::entry('measure', Sentence::of('run.other_pull_'.$run->pull->value));
        }
        // On a full plate each part has one lift, the worst of it; a single part is read at its ends.
        $most = Measure::Lift === $measure && $run->parts > 1 ? $run->parts : $measure->places();
        if ($place < 1 || $place > $most) {
            throw Refusal::entry(
                'place',
                Sentence::of('run.no_such_place', measure: $measure->words(), most: Quantity::count($most)),
            );
        }
        if (Measure::PrintMinutes === $measure && null === $run->printByStampsMinutes()) {
            throw Refusal::entry('measure', Sentence::of('run.print_is_measured'));
        }
        $before = $run->of($measure, $place);
        $length = self::length($run, $reading);

        return [
            ...self::begun($run),
            ...$length,
            new ReadingTaken($reading, $place, $before?->id, null === $before ? null : Sentence::of('run.entered_again')),
        ];
    }

    /**
     * Corrects a reading that stands, also of a run that is done; whether the part held is corrected like any other.
     *
     * @param Outcome|null $outcome how the print ended, where it is "held" that is corrected; null: held or came off
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run is void, or the reading stands no more
     */
    public static function amend(RunState $run, string $readingId, Reading $reading, string $reason, ?Outcome $outcome = null): array
    {
        if (RunStatus::Void === $run->status) {
            throw Refusal::state(Sentence::of('run.void_nothing_to_amend'));
        }
        $before = $run->byId($readingId) ?? throw Refusal::state(Sentence::of('run.amended_already'));
        if (Measure::Held !== $reading->measure) {
            return [...self::length($run, $reading), new ReadingTaken($reading, $before->place, $before->id, new OwnText($reason))];
        }
        $outcome ??= $reading->value > 0.5 ? Outcome::Held : Outcome::CameOff;
        if ($outcome->held() !== ($reading->value > 0.5)) {
            throw Refusal::entry('outcome', Sentence::of('run.outcome_contradicts'));
        }

        return [new OutcomeSaid($outcome, ''), new ReadingTaken($reading, $before->place, $before->id, new OwnText($reason))];
    }

    /**
     * Marks on the map of the plate where a part failed, or where the plate or its coat was harmed; also of a run that is done.
     *
     * @param float    $x     share of the width of the plate, from the left
     * @param float    $y     share of its depth, from the front
     * @param int|null $place of a part, from 1
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run was not begun or is void, there is no such place, or all parts held
     */
    public static function mark(RunState $run, MarkKind $kind, float $x, float $y, ?int $place): array
    {
        if (RunStatus::Planned === $run->status || RunStatus::Void === $run->status) {
            throw Refusal::state(Sentence::of('run.mark_only_begun'));
        }

        return [Marked::on($kind, $x, $y, $place, $run->parts, $run->outcome)];
    }

    /**
     * @return list<RunFact>
     *
     * @throws Refusal if the run is not open, or nothing of the kind is missing
     */
    public static function markNotTaken(RunState $run, Measure $measure, string $reason): array
    {
        self::open($run);
        if (Measure::Held === $measure || !\in_array($measure, $run->missing(), true)) {
            throw Refusal::entry('measure', Sentence::of('run.not_missing', measure: $measure->words()));
        }

        return [new MeasureNotTaken($measure, new OwnText($reason))];
    }

    /**
     * @return list<RunFact>
     *
     * @throws Refusal if the run is not open, or something that the plan wants is neither entered nor marked as not taken
     */
    public static function finish(RunState $run): array
    {
        self::open($run);
        $missing = $run->missing();
        if ([] !== $missing) {
            throw Refusal::entry(Measure::Held === $missing[0] ? 'outcome' : $missing[0]->value, Measure::Held === $missing[0]
                ? Sentence::of('run.say_held_first')
                : Sentence::of('run.unsaid', measures: Listing::of(array_map(static fn (Measure $measure): Sentence => $measure->words(), $missing))));
        }

        return [new Finished(), ...($run->occupiesPrinter ? [new PrinterLeft()] : [])];
    }

    /**
     * Takes the last touch back, where it came too soon; all that was said stays.
     *
     * @return list<RunFact>
     *
     * @throws Refusal if it is not done, was so for too long, its comparison is closed, or the next coat is on
     */
    public static function takeFinishBack(RunState $run): array
    {
        if (RunStatus::Done !== $run->status || null === $run->finishedSecondsAgo) {
            throw Refusal::state(Sentence::of('run.take_back_only_done'));
        }
        if (ComparisonStatus::Running !== $run->comparison) {
            throw Refusal::state(Sentence::of('run.comparison_closed'));
        }
        if ($run->coatStays && $run->coatGone) {
            throw Refusal::state(Sentence::of('run.take_back_coat_gone'));
        }
        if ($run->finishedSecondsAgo > TakingBack::WITHIN_SECONDS) {
            throw Refusal::state(Sentence::of('take_back.too_late', minutes: Quantity::minutes(TakingBack::WITHIN_SECONDS / 60)));
        }

        return [new FinishTakenBack()];
    }

    /**
     * Frees the printer by hand, before the run does so itself.
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run does not hold it
     */
    public static function leavePrinter(RunState $run): array
    {
        if (!$run->occupiesPrinter) {
            throw Refusal::state(Sentence::of('run.printer_not_held'));
        }

        return [new PrinterLeft()];
    }

    /**
     * @param string $by id of a person
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run was not begun, is void already, or this person may not
     */
    public static function declareVoid(RunState $run, string $reason, string $by, OnePersonShop $shop, int $lastPosition): array
    {
        if (RunStatus::Void === $run->status || RunStatus::Planned === $run->status) {
            throw Refusal::state(Sentence::of('run.void_only_begun'));
        }
        $rule = VoidRule::on($run->outcomeSaidSecondsAgo, $run->madeBy, $by, $shop);
        if (null !== $rule->refusal) {
            throw Refusal::person($rule->refusal);
        }

        return [
            new DeclaredVoid(new OwnText($reason), $rule->alone),
            ...($run->occupiesPrinter ? [new PrinterLeft()] : []),
            // Another coat would be another life; while it is on, it takes one print more, worn by the void one all the same.
            ...($run->coatStays && $run->coatGone ? [] : [new RunRepeated($lastPosition + 1)]),
        ];
    }

    /**
     * A run that was made on paper: all its readings at once. What the plan wants and the table lacks is marked as not
     * taken. The printer is not asked: the run lies in the past.
     *
     * @param list<Reading> $readings
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the run was begun already
     */
    public static function fromPaper(RunState $run, array $readings, bool $void, int $lastPosition): array
    {
        if (RunStatus::Planned !== $run->status || ComparisonStatus::Running !== $run->comparison) {
            throw Refusal::state(Sentence::of('run.begun_already'));
        }
        $facts = [new Began()];
        $said = [];
        $held = null;
        $lifts = 0;
        foreach ($readings as $reading) {
            if (Measure::PrintMinutes === $reading->measure && PrintLength::told($reading->value, $run->plannedPrintMinutes)) {
                $facts[] = new PrintMeasured($reading->value);
            }
            if (Measure::Held === $reading->measure) {
                $held = $reading->value > 0.5;
                $facts[] = new OutcomeSaid($held ? Outcome::Held : Outcome::CameOff, '');
            }
            $facts[] = new ReadingTaken($reading, Measure::Lift === $reading->measure ? ++$lifts : 1);
            $said[] = $reading->measure;
        }
        if ($void) {
            return [...$facts, new DeclaredVoid(Sentence::of('run.void_in_table'), false), new RunRepeated($lastPosition + 1)];
        }
        $marked = [];
        while ([] !== ($missing = Completeness::missing($run->pull, $held, $said, $marked, $run->taken, $run->takenHot))) {
            foreach ($missing as $measure) {
                $facts[] = new MeasureNotTaken($measure, Sentence::of('run.not_in_table'));
                $marked[] = $measure;
            }
        }

        return [...$facts, new Finished()];
    }

    /**
     * Who says late that a print held leaves a longer time than it took. The stamps may be shortened, never lengthened: the
     * length of a print proves how long a job may be.
     *
     * @return list<RunFact>
     *
     * @throws Refusal if the print took less by the stamps
     */
    private static function length(RunState $run, Reading $reading): array
    {
        if (Measure::PrintMinutes !== $reading->measure) {
            return [];
        }
        $most = $run->printByStampsMinutes();
        if (null !== $most && $reading->value > $most + self::STAMP_ROUNDING_MINUTES) {
            throw Refusal::entry('value', Sentence::of('run.print_not_longer', stamps: Quantity::minutes($most)));
        }

        return PrintLength::told($reading->value, $run->plannedPrintMinutes) ? [new PrintMeasured($reading->value)] : [];
    }

    /** @return list<RunFact> */
    private static function begun(RunState $run): array
    {
        return RunStatus::Planned === $run->status ? [new Began()] : [];
    }

    /** @return list<RunFact> */
    private static function outcome(RunState $run, Outcome $outcome, string $note, Phrase $reason): array
    {
        $before = $run->of(Measure::Held);
        $value = $outcome->held() ? 1.0 : 0.0;
        $facts = [new OutcomeSaid($outcome, $note)];
        if (null === $before || abs($before->reading->value - $value) > 0.5) {
            $facts[] = new ReadingTaken(new Reading(Measure::Held, $value), 1, $before?->id, null === $before ? null : $reason);
        }

        return $facts;
    }

    /**
     * @return list<RunFact>
     *
     * @throws Refusal if it may not be done now
     */
    private static function printer(RunState $run, SheetStep $to): array
    {
        $occupies = $to->occupiesPrinter($run->plateFixed);
        if ($occupies && !$run->occupiesPrinter) {
            if (null !== $run->printerHeldBy) {
                throw Refusal::state(Sentence::of('run.printer_held', run: $run->printerHeldBy));
            }

            return [new PrinterTaken()];
        }

        return !$occupies && $run->occupiesPrinter ? [new PrinterLeft()] : [];
    }

    /** @throws Refusal if it may not be done now */
    private static function open(RunState $run): void
    {
        if (!$run->status->open()) {
            throw Refusal::state(Sentence::of('run.finished'));
        }
        if (ComparisonStatus::Running !== $run->comparison) {
            throw Refusal::state(Sentence::of('run.comparison_closed'));
        }
    }
}
