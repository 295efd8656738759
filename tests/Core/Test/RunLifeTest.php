<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonState;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\Fact\Began;
use Sitzplatz\Test\Life\Fact\DeclaredVoid;
use Sitzplatz\Test\Life\Fact\Finished;
use Sitzplatz\Test\Life\Fact\FinishTakenBack;
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
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Life\StandingReading;
use Sitzplatz\Test\Life\TakingBack;
use Sitzplatz\Test\Life\Touched;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\OnePersonShop;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\OwnText;

/** The lives of runs and comparisons, without a database. What the steps are is common practice (trade notes, sections 7 to 9). */
final class RunLifeTest extends TestCase
{
    public function testWhatWaitedOnADeviceCountsFromWhenItWasTouchedButNotFromBeforeWhatIsKnown(): void
    {
        self::assertEqualsWithDelta(0.0, Touched::secondsAgo(0, 600), 1e-9);
        self::assertEqualsWithDelta(300.0, Touched::secondsAgo(300, 600), 1e-9);
        self::assertEqualsWithDelta(600.0, Touched::secondsAgo(86400, 600), 1e-9, 'Nobody lengthens a print by it.');
        self::assertEqualsWithDelta(0.0, Touched::secondsAgo(-5, 600), 1e-9, 'Nothing is touched in the future.');
    }

    public function testARunIsBegunByItsFirstStepAndHoldsItsPrinterFromHeatingUntilThePlateLeaves(): void
    {
        self::assertSame([Began::class, StepReached::class], self::kinds(RunLife::moveTo(self::planned(), RunStep::Prepare)));
        self::assertSame([StepReached::class, PrinterTaken::class], self::kinds(RunLife::moveTo(self::running(RunStep::Prepare), RunStep::HeatAndSoak)));
        self::assertSame(
            [StepReached::class, PrintBegan::class],
            self::kinds(RunLife::moveTo(self::running(RunStep::Print, occupies: true), RunStep::FirstLayer)),
        );
        $cooled = self::running(RunStep::Cool, Outcome::Held, occupies: true);
        self::assertSame([StepReached::class, PrinterLeft::class], self::kinds(RunLife::moveTo($cooled, RunStep::ColdPull)));
        $fixed = self::running(RunStep::Cool, Outcome::Held, occupies: true, fixed: true);
        self::assertSame([StepReached::class], self::kinds(RunLife::moveTo($fixed, RunStep::ColdPull)), 'A fixed plate keeps its printer until it is clean.');
        self::assertSame(
            [StepReached::class],
            self::kinds(RunLife::moveTo(self::running(RunStep::Inspect, Outcome::Held, occupies: true, fixed: true), RunStep::Clean)),
        );
    }

    public function testAPrinterServesOneRun(): void
    {
        $other = self::running(RunStep::Prepare, heldBy: 'run 3');
        self::assertSame('run.printer_held run=run 3', self::refused(static fn () => RunLife::moveTo($other, RunStep::HeatAndSoak)));
        self::assertSame(
            [StepReached::class],
            self::kinds(RunLife::moveTo(self::running(RunStep::Inspect, Outcome::Held, heldBy: 'run 3'), RunStep::Clean)),
            'Looking and cleaning go on beside.',
        );
        self::assertSame(
            [Began::class, OutcomeSaid::class, ReadingTaken::class, ReadingTaken::class, Finished::class],
            self::kinds(RunLife::fromPaper(
                self::planned(heldBy: 'run 3', pull: PullKind::Hot),
                [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30)],
                false,
                8,
            )),
            'What was made on paper lies in the past.',
        );
        self::assertSame([PrinterLeft::class], self::kinds(RunLife::leavePrinter(self::running(RunStep::Cool, Outcome::Held, occupies: true))));
        self::assertSame('run.printer_not_held', self::refused(static fn () => RunLife::leavePrinter(self::running(RunStep::Prepare))));
    }

    public function testNothingComesIntoARunThatIsFinished(): void
    {
        $pull = new Reading(Measure::PullHot, 20);
        foreach ([RunStatus::Done, RunStatus::Void] as $status) {
            $run = self::running(RunStep::Clean, Outcome::Held, status: $status, pull: PullKind::Hot);
            foreach ([
                static fn () => RunLife::enter($run, $pull),
                static fn () => RunLife::moveTo($run, RunStep::Clean),
                static fn () => RunLife::sayOutcome($run, Outcome::Held, ''),
                static fn () => RunLife::markNotTaken($run, Measure::PullHot, 'forgot'),
                static fn () => RunLife::finish($run),
            ] as $command) {
                self::assertSame('run.finished', self::refused($command));
            }
        }
        $closed = self::running(RunStep::HotPull, Outcome::Held, comparison: ComparisonStatus::Closed, pull: PullKind::Hot);
        self::assertSame('run.comparison_closed', self::refused(static fn () => RunLife::enter($closed, $pull)));
    }

    public function testAFinishIsTakenBackWhileItIsFresh(): void
    {
        $done = static fn (float $ago, ComparisonStatus $comparison = ComparisonStatus::Running, bool $coatGone = false): RunState => new RunState(
            PullKind::Cold,
            $comparison,
            RunStatus::Done,
            RunStep::Clean,
            Outcome::Held,
            coatStays: true,
            coatGone: $coatGone,
            finishedSecondsAgo: $ago,
        );
        self::assertSame([FinishTakenBack::class], self::kinds(RunLife::takeFinishBack($done(600.0))));
        self::assertSame('take_back.too_late minutes=600', self::refused(static fn () => RunLife::takeFinishBack($done(600.5))));
        self::assertSame('run.comparison_closed', self::refused(static fn () => RunLife::takeFinishBack($done(1.0, ComparisonStatus::Closed))));
        self::assertSame('run.take_back_coat_gone', self::refused(static fn () => RunLife::takeFinishBack($done(1.0, coatGone: true))));
        self::assertSame('run.take_back_only_done', self::refused(static fn () => RunLife::takeFinishBack(self::running(RunStep::Clean))));
    }

    public function testANoteIsTakenBackByWhoWroteItBeforeAnythingRestsOnIt(): void
    {
        TakingBack::ofNote(600.0, true, false);
        foreach (['take_back.too_late minutes=600' => [600.5, true, false], 'take_back.others' => [1.0, false, false], 'take_back.rested' => [1.0, true, true]] as $why => [$ago, $own, $rested]) {
            self::assertSame($why, self::refused(static function () use ($ago, $own, $rested): array {
                TakingBack::ofNote($ago, $own, $rested);

                return [];
            }));
        }
    }

    public function testAReadingEnteredAgainCrossesOutTheOneThatStands(): void
    {
        $run = self::running(RunStep::HotPull, Outcome::Held, [new StandingReading('r1', new Reading(Measure::PullHot, 20))], pull: PullKind::Hot);
        $facts = RunLife::enter($run, new Reading(Measure::PullHot, 21));
        self::assertInstanceOf(ReadingTaken::class, $facts[0]);
        self::assertSame(['r1', 'run.entered_again'], [$facts[0]->replaces, Said::of($facts[0]->reason)]);
        $lifts = self::running(RunStep::Inspect, Outcome::Held, [new StandingReading('l1', new Reading(Measure::Lift, 0.1), 1)]);
        $second = RunLife::enter($lifts, new Reading(Measure::Lift, 0.3), 2);
        self::assertInstanceOf(ReadingTaken::class, $second[0]);
        self::assertSame([null, 2], [$second[0]->replaces, $second[0]->place], 'Each end keeps its own lift.');
        self::assertStringStartsWith('run.no_such_place', self::refused(static fn () => RunLife::enter($run, new Reading(Measure::PullHot, 21), 2)));
        self::assertSame('run.other_pull_hot', self::refused(static fn () => RunLife::enter($run, new Reading(Measure::PullCold, 3))));
        self::assertSame('run.held_is_outcome', self::refused(static fn () => RunLife::enter($run, new Reading(Measure::Held, 1))));
        self::assertSame('run.print_is_measured', self::refused(static fn () => RunLife::enter($run, new Reading(Measure::PrintMinutes, 600))));
    }

    public function testTheLengthOfAPrintIsShortenedButNeverLengthened(): void
    {
        // Said nine hours after a print that began ten hours ago: one hour by the stamps.
        $late = self::running(RunStep::Cool, Outcome::Held, saidAgo: 9 * 3600.0, printBegan: 10 * 3600.0, measured: true);
        $facts = RunLife::enter($late, new Reading(Measure::PrintMinutes, 24));
        self::assertInstanceOf(PrintMeasured::class, $facts[0]);
        self::assertEqualsWithDelta(24.0, $facts[0]->minutes, 1e-9);
        self::assertInstanceOf(ReadingTaken::class, $facts[1]);
        self::assertStringStartsWith('run.print_not_longer', self::refused(static fn () => RunLife::enter($late, new Reading(Measure::PrintMinutes, 600))));
        $paper = self::running(RunStep::Clean, Outcome::Held, [new StandingReading('p1', new Reading(Measure::PrintMinutes, 300))], measured: true);
        $amended = RunLife::amend($paper, 'p1', new Reading(Measure::PrintMinutes, 30), 'typed a nought too many');
        self::assertInstanceOf(PrintMeasured::class, $amended[0], 'What is proven follows the amendment.');
        self::assertEqualsWithDelta(30.0, $amended[0]->minutes, 1e-9);
    }

    public function testARunCannotFinishWithNothingSaid(): void
    {
        self::assertSame('run.say_held_first', self::refused(static fn () => RunLife::finish(self::running(RunStep::FirstLayer))));
        self::assertSame('run.say_held_first', self::refused(static fn () => RunLife::moveTo(self::running(RunStep::FirstLayer), RunStep::Cool)));
        $cold = self::running(RunStep::Clean, Outcome::Held, [new StandingReading('p', new Reading(Measure::PullCold, 3))]);
        self::assertSame('run.unsaid measures=[measure.effort; measure.damage]', self::refused(static fn () => RunLife::finish($cold)));
        self::assertSame([MeasureNotTaken::class], self::kinds(RunLife::markNotTaken($cold, Measure::Effort, 'fell off in the box')));
        self::assertSame(
            'run.not_missing measure=measure.pull_cold',
            self::refused(static fn () => RunLife::markNotTaken($cold, Measure::PullCold, 'no gauge')),
        );
        self::assertSame(
            [Finished::class],
            self::kinds(RunLife::finish(self::running(RunStep::Clean, Outcome::Held, $cold->standing, notTaken: ['effort' => 'a', 'damage' => 'b']))),
        );
        self::assertSame(
            [Finished::class],
            self::kinds(RunLife::finish(self::running(RunStep::Clean, Outcome::CameOff))),
            'A part that came off needs no word on its release.',
        );
        self::assertSame(
            [Finished::class, PrinterLeft::class],
            self::kinds(RunLife::finish(self::running(RunStep::Clean, Outcome::CameOff, occupies: true, fixed: true))),
        );
        // A part that was not pulled hot after all is taken off cold, and that has to be said.
        self::assertSame([Measure::Effort, Measure::Damage], Completeness::missing(PullKind::Hot, true, [], [Measure::PullHot]));
        self::assertSame([], Completeness::missing(PullKind::Hot, true, [Measure::PullHot]));
    }

    public function testWhatIsMissingAtTheEndIsTheEntryAtFault(): void
    {
        $field = static function (RunState $run): string {
            try {
                RunLife::finish($run);
            } catch (Refusal $refusal) {
                return $refusal->field;
            }

            return 'nothing';
        };
        self::assertSame('outcome', $field(self::running(RunStep::FirstLayer)));
        self::assertSame('damage', $field(self::running(RunStep::Clean, Outcome::Held, [new StandingReading('p', new Reading(Measure::PullCold, 3)), new StandingReading('e', new Reading(Measure::Effort, 1))])));
    }

    /** A single part is read at its ends and corners, eight at most; of a full plate each part once. */
    public function testALiftHasAPlace(): void
    {
        $run = self::running(RunStep::Clean, Outcome::Held);
        self::assertSame([ReadingTaken::class], self::kinds(RunLife::enter($run, new Reading(Measure::Lift, 0.2), 8)));
        self::assertSame('run.no_such_place measure=measure.lift most=8', self::refused(static fn () => RunLife::enter($run, new Reading(Measure::Lift, 0.2), 9)));
        $plate = new RunState(PullKind::Cold, ComparisonStatus::Running, RunStatus::Running, RunStep::Clean, Outcome::Held, parts: 3);
        self::assertSame('run.no_such_place measure=measure.lift most=3', self::refused(static fn () => RunLife::enter($plate, new Reading(Measure::Lift, 0.2), 4)));
    }

    public function testNothingIsClosedBeforeARunIsDone(): void
    {
        $setups = [new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P2')];
        self::assertSame('comparison.nothing_done', self::refused(static fn () => ComparisonLife::close(new ComparisonState(ComparisonStatus::Running, $setups, 2, 1, 7))));
        self::assertSame('comparison.close_only_running', self::refused(static fn () => ComparisonLife::close(self::comparison(ComparisonStatus::Draft, 1))));
        ComparisonLife::close(self::comparison(ComparisonStatus::Running, 1));
    }

    public function testHeldIsAmendedLikeAnyReading(): void
    {
        $done = self::running(RunStep::Clean, Outcome::Held, [new StandingReading('h', new Reading(Measure::Held, 1))], status: RunStatus::Done);
        $facts = RunLife::amend($done, 'h', new Reading(Measure::Held, 0), 'a corner had lifted', Outcome::Lifted);
        self::assertSame([OutcomeSaid::class, ReadingTaken::class], self::kinds($facts));
        self::assertInstanceOf(OutcomeSaid::class, $facts[0]);
        self::assertSame(Outcome::Lifted, $facts[0]->outcome);
        self::assertSame(
            'run.outcome_contradicts',
            self::refused(static fn () => RunLife::amend($done, 'h', new Reading(Measure::Held, 1), 'because', Outcome::Lifted)),
        );
        self::assertSame('run.amended_already', self::refused(static fn () => RunLife::amend($done, 'other', new Reading(Measure::Held, 1), 'because')));
        self::assertSame(
            'run.void_nothing_to_amend',
            self::refused(static fn () => RunLife::amend(
                self::running(RunStep::Clean, status: RunStatus::Void),
                'h',
                new Reading(Measure::Held, 1),
                'because',
            )),
        );
    }

    public function testThePrintIsMeasuredFromItsFirstLayerToItsOutcomeOnce(): void
    {
        $facts = RunLife::sayOutcome(self::running(RunStep::FirstLayer, occupies: true, printBegan: 1440.0), Outcome::Held, '');
        self::assertInstanceOf(PrintMeasured::class, $facts[0]);
        self::assertEqualsWithDelta(24, $facts[0]->minutes, 1e-12);
        $changed = RunLife::sayOutcome(
            self::running(
                RunStep::Cool,
                Outcome::Held,
                [new StandingReading('h', new Reading(Measure::Held, 1))],
                occupies: true,
                printBegan: 9000.0,
                measured: true,
            ),
            Outcome::CameOff,
            'layer 40',
        );
        self::assertSame(
            [OutcomeSaid::class, ReadingTaken::class, StepReached::class, PrinterLeft::class],
            self::kinds($changed),
            'A changed word changes no time, and what came off has no pull.',
        );
        self::assertSame(
            [OutcomeSaid::class, ReadingTaken::class],
            self::kinds(RunLife::sayOutcome(self::running(RunStep::FirstLayer), Outcome::Held, '')),
            'Where nobody stamped the start, nothing is measured.',
        );
        $paper = RunLife::fromPaper(
            self::planned(pull: PullKind::Hot),
            [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30), new Reading(Measure::PrintMinutes, 25)],
            false,
            4,
        );
        self::assertContains(PrintMeasured::class, self::kinds($paper));
    }

    public function testOnceTheOutcomeIsSeenAnotherPersonVoidsByIdAndNotByName(): void
    {
        $shop = new OnePersonShop();
        $seen = self::running(RunStep::Inspect, Outcome::CameOff, saidAgo: 60.0);
        self::assertSame('run.void_by_another', self::refused(static fn () => RunLife::declareVoid($seen, 'knocked', 'mara', $shop, 9)));
        $facts = RunLife::declareVoid($seen, 'knocked', 'another-mara', $shop, 9);
        self::assertSame([DeclaredVoid::class, RunRepeated::class], self::kinds($facts));
        self::assertInstanceOf(RunRepeated::class, $facts[1]);
        self::assertSame(10, $facts[1]->position);
        self::assertSame(
            [DeclaredVoid::class, PrinterLeft::class, RunRepeated::class],
            self::kinds(RunLife::declareVoid(self::running(RunStep::Print, occupies: true), 'knocked', 'mara', $shop, 9)),
            'Before anybody saw the outcome, anybody may.',
        );
        self::assertSame('run.void_only_begun', self::refused(static fn () => RunLife::declareVoid(self::planned(), 'knocked', 'mara', $shop, 9)));
    }

    public function testAOnePersonShopWaitsAndIsMarked(): void
    {
        $alone = new OnePersonShop(true, 12 * 3600.0);
        $early = self::running(RunStep::Inspect, Outcome::CameOff, saidAgo: 2 * 3600.0);
        self::assertSame('run.void_wait wait=36000', self::refused(static fn () => RunLife::declareVoid($early, 'knocked', 'mara', $alone, 9)));
        $late = RunLife::declareVoid(self::running(RunStep::Inspect, Outcome::CameOff, saidAgo: 12.5 * 3600), 'knocked', 'mara', $alone, 9);
        self::assertInstanceOf(DeclaredVoid::class, $late[0]);
        self::assertTrue($late[0]->alone);
        $byAnother = RunLife::declareVoid($early, 'knocked', 'tilo', $alone, 9);
        self::assertInstanceOf(DeclaredVoid::class, $byAnother[0]);
        self::assertFalse($byAnother[0]->alone);
    }

    public function testATableIsTakenAsItIsAndWhatItLacksIsMarked(): void
    {
        $facts = RunLife::fromPaper(
            self::planned(),
            [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, 4), new Reading(Measure::Lift, 0.1), new Reading(Measure::Lift, 0.2)],
            false,
            4,
        );
        $places = array_map(static fn (RunFact $f): int => $f instanceof ReadingTaken ? $f->place : 0, $facts);
        self::assertSame([0, 0, 1, 1, 1, 2, 0, 0, 0], $places);
        self::assertSame([MeasureNotTaken::class, MeasureNotTaken::class, Finished::class], \array_slice(self::kinds($facts), -3));
        self::assertSame([Began::class, DeclaredVoid::class, RunRepeated::class], self::kinds(RunLife::fromPaper(self::planned(), [], true, 4)));
        self::assertSame(
            [Began::class, ReadingTaken::class, MeasureNotTaken::class, Finished::class],
            self::kinds(RunLife::fromPaper(self::planned(pull: PullKind::Hot), [new Reading(Measure::PullHot, 20)], false, 4)),
            'That nobody said whether it held is marked, too.',
        );
        self::assertSame('run.begun_already', self::refused(static fn () => RunLife::fromPaper(self::running(RunStep::Prepare), [], false, 4)));
    }

    public function testTheLifeOfAComparison(): void
    {
        $draft = self::comparison(ComparisonStatus::Draft);
        self::assertCount(4, ComparisonLife::start($draft));
        self::assertSame(
            'comparison.new_surface side=P1 front',
            self::refused(static fn () => ComparisonLife::start(new ComparisonState(ComparisonStatus::Draft, $draft->setups, 2, 1, 7, ['P1 front']))),
        );
        $running = self::comparison(ComparisonStatus::Running, 3);
        self::assertSame('comparison.started_already', self::refused(static fn () => ComparisonLife::start($running)));
        self::assertSame('comparison.plan_fixed', self::refused(static fn () => ComparisonLife::replan($running->status)));
        $added = ComparisonLife::addRuns($running, 'a', 3, null);
        self::assertSame(
            [[9, PullKind::Hot, true], [10, PullKind::Cold, false], [11, PullKind::Hot, false]],
            array_map(static fn ($run): array => [$run->position, $run->pull, $run->plateChange], $added),
        );
        self::assertSame('comparison.no_such_setup', self::refused(static fn () => ComparisonLife::addRuns($running, 'c', 3, null)));
        self::assertSame('comparison.too_many_runs most=60', self::refused(static fn () => ComparisonLife::addRuns($running, 'a', 61, null)));
        self::assertSame('comparison.not_started', self::refused(static fn () => ComparisonLife::addRuns($draft, 'a', 3, null)));
        ComparisonLife::close($running);
        self::assertSame(
            'comparison.nothing_done',
            self::refused(static fn () => ComparisonLife::close(self::comparison(ComparisonStatus::Running))),
            'A verdict names the runs it rests on, and there are none.',
        );
        self::assertSame('comparison.close_only_running', self::refused(static fn () => ComparisonLife::close($draft)));
        self::assertSame('comparison.start_first', self::refused(static fn () => ComparisonLife::takeTable(ComparisonStatus::Closed)));
    }

    private static function comparison(ComparisonStatus $status, int $done = 0): ComparisonState
    {
        return new ComparisonState($status, [new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P2')], 2, 1, 7, [], 8, $done);
    }

    private static function planned(?string $heldBy = null, PullKind $pull = PullKind::Cold): RunState
    {
        return new RunState($pull, ComparisonStatus::Running, printerHeldBy: null === $heldBy ? null : new OwnText($heldBy));
    }

    /**
     * @param list<StandingReading> $standing
     * @param array<string, string> $notTaken
     */
    private static function running(
        RunStep $step,
        ?Outcome $outcome = null,
        array $standing = [],
        bool $occupies = false,
        bool $fixed = false,
        ?string $heldBy = null,
        RunStatus $status = RunStatus::Running,
        ComparisonStatus $comparison = ComparisonStatus::Running,
        PullKind $pull = PullKind::Cold,
        array $notTaken = [],
        ?float $saidAgo = null,
        ?float $printBegan = null,
        bool $measured = false,
    ): RunState {
        return new RunState(
            $pull,
            $comparison,
            $status,
            $step,
            $outcome,
            $saidAgo,
            'mara',
            $standing,
            $notTaken,
            $occupies,
            null === $heldBy ? null : new OwnText($heldBy),
            $fixed,
            $printBegan,
            $measured,
        );
    }

    /**
     * @param list<RunFact> $facts
     *
     * @return list<class-string>
     */
    private static function kinds(array $facts): array
    {
        return array_map(static fn (RunFact $fact): string => $fact::class, $facts);
    }

    private static function refused(\Closure $command): string
    {
        try {
            $command();
        } catch (Refusal $refusal) {
            return Said::of($refusal->sentence);
        }
        self::fail('This should have been refused.');
    }
}
