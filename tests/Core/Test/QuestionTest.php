<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PlatePlaces;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Question\FromWhichTemperature;
use Sitzplatz\Test\Question\Grid;
use Sitzplatz\Test\Question\HotOrCold;
use Sitzplatz\Test\Question\HowLong;
use Sitzplatz\Test\Question\HowNear;
use Sitzplatz\Test\Question\LastingCoat;
use Sitzplatz\Test\Question\LotAgainstLot;
use Sitzplatz\Test\Question\PlanShape;
use Sitzplatz\Test\Question\PlanStart;
use Sitzplatz\Test\Question\SetupDraft;
use Sitzplatz\Test\Question\StillHolding;
use Sitzplatz\Test\Question\WhereTheLadderEnds;
use Sitzplatz\Test\Question\WholePlate;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\Sureness;
use Sitzplatz\Test\Timetable;
use Sitzplatz\Test\TimetableRun;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** What a question lays out to be answered, how surely, and along which days. */
final class QuestionTest extends TestCase
{
    use ReadsTheCatalogue;

    /** Common practice: temperature ladders go by 5 °C, and one that never fails has found no end. */
    public function testATemperatureLadderHasTodaysSettingAndGoesBelowTheWindow(): void
    {
        $window = self::catalogue()->pairing('abs', 'pei_smooth')->window ?? self::fail();
        $start = new PlanStart([new SetupDraft('side', null, 104.0, 99.0)], self::catalogue()->pairing('abs', 'pei_smooth'), 4.0);
        $rungs = (new FromWhichTemperature())->setups($start);
        $beds = array_map(static fn (SetupDraft $rung): ?float => $rung->bedFirstC, $rungs);
        self::assertContains(104.0, $beds);
        self::assertLessThan($window->low + 4, $beds[0]);
        self::assertLessThanOrEqual($window->high + 4.5, end($beds));
        foreach (\array_slice($rungs, 1) as $i => $rung) {
            self::assertEqualsWithDelta(0, fmod($rung->bedFirstC - $rungs[$i]->bedFirstC, 5), 1e-9);
        }
        // The bed after the first layer goes along.
        self::assertSame([5.0], array_values(array_unique(array_map(static fn (SetupDraft $rung): float => $rung->bedFirstC - $rung->bedOtherC, $rungs))));
        // A wide window goes by larger steps, six rungs at most.
        $wide = (new FromWhichTemperature())->setups(new PlanStart([new SetupDraft('side', null, 80.0, 80.0)], self::catalogue()->pairing('pp', 'pei_textured')));
        self::assertSame([35.0, 50.0, 65.0, 80.0, 95.0], array_map(static fn (SetupDraft $rung): ?float => $rung->bedFirstC, $wide));
        $blind = (new FromWhichTemperature())->setups(new PlanStart([new SetupDraft('side', null, 60.0, 60.0)]));
        self::assertSame([55.0, 60.0, 65.0], array_map(static fn (SetupDraft $rung): ?float => $rung->bedFirstC, $blind));
    }

    /** Common practice: what welds when squeezed is never squeezed nearer than practice has it. */
    public function testAGapLadderGoesOverTheWindowAndSparesWhatWelds(): void
    {
        $gaps = static fn (array $rungs): array => array_map(static fn (SetupDraft $rung): ?float => $rung->own->gapMm, $rungs);
        $free = $gaps((new HowNear())->setups(new PlanStart([new SetupDraft('side', null, 60.0, 60.0)], self::catalogue()->pairing('pla', 'pei_smooth'))));
        self::assertSame([0.16, 0.12, 0.09, 0.05], $free);
        self::assertSame([0.16, 0.13, 0.1, 0.07], $gaps((new HowNear())->setups(new PlanStart([new SetupDraft('side', null, 60.0, 60.0)]))), 'Where practice says nothing: steps of 0.03 round 0.1, one of them nearer.');
        $pairing = self::catalogue()->pairing('petg', 'pei_smooth') ?? self::fail();
        self::assertTrue($pairing->bonds);
        $bonds = $gaps((new HowNear())->setups(new PlanStart([new SetupDraft('side', null, 75.0, 75.0)], $pairing)));
        self::assertGreaterThanOrEqual($pairing->gapMm->target, end($bonds));
    }

    /** Cure depth goes with ln(E) (Jacobs 1992, from memory): even steps of it are a constant ratio. */
    public function testAnExposureLadderIsEvenInItsLogarithmAndReachesBeyondTheWindow(): void
    {
        $pairing = self::catalogue()->pairing('resin', 'resin_sanded') ?? self::fail();
        $seconds = array_map(
            static fn (SetupDraft $rung): float => $rung->own->exposureS ?? self::fail(),
            (new HowLong())->setups(new PlanStart([new SetupDraft('side', null, null, null)], $pairing)),
        );
        // 18 … 42 s, a little beyond on both sides, by hand: 15.3 · (48.3/15.3)^(i/4).
        self::assertSame([15.0, 20.0, 27.0, 36.0, 48.0], $seconds);
    }

    /** Trade notes, section 7: bare → brim ears → more heat → agent; both orders are in use, and the shop says which. */
    public function testTheLadderClimbsInTheOrderOfTheShop(): void
    {
        $pairing = self::catalogue()->pairing('pla', 'pei_smooth');
        $start = static fn (Ladder $ladder, ?string $agent = 'stick'): PlanStart => new PlanStart(
            [new SetupDraft('side', 'spray', 60.0, 60.0)],
            $pairing,
            gapMm: 0.1,
            gripAgentIds: null === $agent ? [] : [$agent],
            foothold: 'ears',
            ladder: $ladder,
        );
        $said = static fn (PlanStart $start): array => array_map(
            static fn (SetupDraft $rung): string => implode('/', [$rung->agentId ?? 'bare', $rung->bedFirstC, $rung->own->gapMm, $rung->own->brim]),
            (new WhereTheLadderEnds())->setups($start),
        );
        self::assertSame(['bare/60//', 'bare/60/0.07/', 'bare/60/0.07/ears', 'stick/60/0.07/ears'], $said($start(Ladder::HeatFirst)));
        self::assertSame(['bare/60//', 'bare/60//ears', 'bare/60/0.07/ears'], $said($start(Ladder::FootholdFirst, null)));
        // As near as it may be already: one step of heat instead, as far as the window goes.
        $near = new PlanStart([new SetupDraft('side', null, 60.0, 60.0)], $pairing, gapMm: 0.06);
        self::assertSame(['bare/60//', 'bare/65//'], $said($near));
    }

    public function testNoRungIsColderThanTheRoom(): void
    {
        $pp = new PlanStart([new SetupDraft('side', null, 62.0, 62.0)], self::catalogue()->pairing('pp', 'polypropylene'), roomC: 25.0);
        foreach ((new FromWhichTemperature())->setups($pp) as $rung) {
            self::assertGreaterThan(25, $rung->bedFirstC);
        }
    }

    /** Full factorial: 2 plates × 2 agents × 3 beds, each once. */
    public function testAGridHasEveryCombinationOnceAndNoMoreThanAPlanTakes(): void
    {
        $grid = Grid::of(['a', 'b'], [null, 'stick'], [55.0, 60.0, null], [], []);
        self::assertCount(12, array_unique(array_map(serialize(...), $grid)));
        self::assertCount(4, array_filter($grid, static fn (SetupDraft $each): bool => $each->unheated));
        // What the rules leave is counted, not what they look at.
        self::assertCount(24, Grid::of(['a', 'b'], [null, 'stick'], [55.0, 60.0, null], [20.0, 55.0], []));
        Grid::fits(12);
        $refused = 0;
        foreach ([
            static fn () => Grid::fits(13),
            static fn () => Grid::of(['a', 'b', 'c'], array_map(strval(...), range(1, 12)), array_map(floatval(...), range(50, 61)), [], []),
        ] as $make) {
            try {
                $make();
            } catch (BadPlan) {
                ++$refused;
            }
        }
        self::assertSame(2, $refused);
    }

    public function testLotsAreComparedOnOneSetup(): void
    {
        $rungs = (new LotAgainstLot())->setups(new PlanStart([new SetupDraft('side', 'stick', 60.0, 60.0)], otherLotIds: ['b', 'c', 'd', 'e']));
        self::assertSame([null, 'b', 'c', 'd'], array_map(static fn (SetupDraft $rung): ?string => $rung->lotId, $rungs));
        self::assertSame(['stick'], array_values(array_unique(array_map(static fn (SetupDraft $rung): ?string => $rung->agentId, $rungs))));
    }

    /** Success run, ⌈ln 0.05 / ln R⌉: 50 % takes 5 runs, 80 % 14, 90 % 29; and no fewer can show it. */
    public function testEachSurenessTakesTheFewestRunsThatShowIt(): void
    {
        foreach ([[Sureness::Look, 5], [Sureness::Use, 14], [Sureness::Profile, 29]] as [$sure, $runs]) {
            self::assertSame($runs, $sure->runs(false), $sure->value);
            self::assertSame($runs, PlanChance::fewestRuns($sure->share(), 0), $sure->value);
            self::assertSame(0, Sureness::hotOf($runs, false));
        }
        self::assertSame([Design::Fixed, Design::Adaptive, Design::Adaptive], array_map(static fn (Sureness $each): Design => $each->design(), [Sureness::Look, Sureness::Use, Sureness::Profile]));
        self::assertSame([10, 5, 6], [Sureness::Look->runs(true), Sureness::hotOf(10, true), Sureness::hotOf(12, true)]);
    }

    public function testOnlyTheFirstOfRungsInTurnIsPlannedAndNeverAtOneLook(): void
    {
        $setups = [new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P1')];
        $order = ComparisonLife::order($setups, 14, 0, 1, Design::Adaptive, 2, true);
        self::assertSame(['a', 'a', 'a'], array_column($order->runs, 'setupId'));
        $this->expectException(BadPlan::class);
        ComparisonLife::order($setups, 14, 0, 1, Design::Fixed, 2, true);
    }

    public function testNoRunIsBegunThatDoesNotEndWithinTheDay(): void
    {
        $durations = new RunDurations(4, 8, 24, 20, 5, 6);
        $order = RunOrder::draw([new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P2')], 6, 3, 1);
        $table = Timetable::of($order->runs, $durations, 200);
        $end = [];
        foreach ($table->runs as $each) {
            $takes = array_sum(array_column($each->phases, 'minutes'));
            self::assertEqualsWithDelta($end[$each->day] ?? 0.0, $each->atMinutes, 1e-9);
            $end[$each->day] = $each->atMinutes + $takes;
            self::assertLessThanOrEqual(200, $end[$each->day]);
        }
        self::assertCount($table->days, $end);
        // By hand: 12 runs of 41 min, 6 of them cool for 20 min, and 4 plate changes of 6 min.
        self::assertEqualsWithDelta(12 * 41 + 6 * 20 + 4 * 6, $table->minutes, 1e-9);
        self::assertEqualsWithDelta($table->minutes, array_sum($end), 1e-9);
        $long = Timetable::of($order->runs, new RunDurations(0, 0, 900, 0, 0, 0), 480);
        self::assertSame(range(1, 12), array_map(static fn (TimetableRun $each): int => $each->day, $long->runs), 'What is longer than a day has one of its own.');
    }

    /** A day ends with its runs, also where they are shorter than a minute. */
    public function testShortRunsAreBrokenByTheDayToo(): void
    {
        $order = RunOrder::draw([new PlannedSetup('a', 'P1')], 3, 0, 1);
        $table = Timetable::of($order->runs, new RunDurations(0, 0, 0.5, 0, 0, 0), 0.8);
        self::assertSame([1, 2, 3], array_map(static fn (TimetableRun $each): int => $each->day, $table->runs));
        self::assertSame([1, 1, 2], array_map(static fn (TimetableRun $each): int => $each->day, Timetable::of($order->runs, new RunDurations(0, 0, 0.5, 0, 0, 0), 1.0)->runs));
    }

    public function testRungsAreOfOneScaleAndGripMoreUpwards(): void
    {
        $gaps = VariedFactors::between([['gap' => 0.1, 'bed' => 60.0, 'bed_after' => 60.0], ['gap' => 0.16, 'bed' => 60.0, 'bed_after' => 60.0]]);
        self::assertTrue($gaps->ladder());
        self::assertGreaterThan($gaps->grip(['gap' => 0.16]), $gaps->grip(['gap' => 0.1]), 'Nearer grips more (common practice).');
        $beds = VariedFactors::between([['bed' => 60.0, 'bed_after' => 60.0], ['bed' => 65.0, 'bed_after' => 65.0]]);
        self::assertSame([true, false, ['bed']], [$beds->ladder(), $beds->confounded(), $beds->names], 'A bed that stays as it is is one factor.');
        $lowered = VariedFactors::between([['bed' => 60.0, 'bed_after' => 50.0], ['bed' => 65.0, 'bed_after' => 60.0]]);
        self::assertSame([true, true], [$lowered->ladder(), $lowered->confounded()]);
        $speed = VariedFactors::between([['speed' => 20.0], ['speed' => 55.0]]);
        // One tester found no difference between 20 and 55 mm/s: practice does not agree on its direction.
        self::assertSame([true, null], [$speed->ladder(), $speed->grip(['speed' => 55.0])]);
        self::assertNull(VariedFactors::between([['bed' => 60.0, 'gap' => 0.1], ['bed' => 65.0, 'gap' => 0.2]])->grip(['bed' => 60.0]));
    }

    /** The ends of the picture: nothing that always fails passes, and what always succeeds is never refused. */
    public function testThePictureOfWhatAPlanCanShowRisesFromRefusedToPassed(): void
    {
        $plan = new ProofPlan(
            new Limits(null, null, Effort::Flex),
            Criterion::Counts,
            0.8,
            0,
            Design::Adaptive,
            14,
            0,
            14,
        );
        $curve = PlanChance::curve($plan, true);
        self::assertEqualsWithDelta([0, 1], [$curve[0]->passes, $curve[0]->refuted], 1e-9);
        self::assertEqualsWithDelta([1, 0], [$curve[40]->passes, $curve[40]->refuted], 1e-9);
        foreach (\array_slice($curve, 1) as $i => $each) {
            self::assertGreaterThanOrEqual($curve[$i]->passes - 1e-12, $each->passes);
            self::assertLessThanOrEqual($curve[$i]->refuted + 1e-12, $each->refuted);
        }
        $at = array_values(array_filter($curve, static fn (PlanChance $each): bool => abs($each->truth - 0.8) < 1e-9));
        self::assertLessThanOrEqual(0.05, $at[0]->passes);
        self::assertLessThanOrEqual(0.05, $at[0]->refuted);
    }

    public function testAQuestionOfReleaseACoatOrAFullPlateMakesItsRunsItsOwnWay(): void
    {
        $usual = new PlanShape(Design::Adaptive, 14, 7, 2, true);
        $start = new PlanStart([new SetupDraft('side', null, 60.0, 60.0), new SetupDraft('other', null, 55.0, 55.0)], gripAgentIds: ['stick']);
        $both = (new HotOrCold())->setups($start);
        self::assertSame([true, false], array_map(static fn (SetupDraft $each): bool => $each->own->takenHot, $both));
        self::assertSame(['side', 'side'], array_map(static fn (SetupDraft $each): string => $each->sideId, $both));
        self::assertSame(0, (new HotOrCold())->shape($usual)->hotPerSetup, 'Nothing is pulled to see whether it holds.');
        $coat = (new LastingCoat())->shape($usual);
        self::assertSame([Design::Fixed, 2, true], [$coat->design, $coat->visits, $coat->coatStays]);
        self::assertSame(16, $coat->runsPerSetup, 'Two coats, eight prints on each.');
        self::assertSame('stick', (new LastingCoat())->setups($start)[0]->agentId, 'A bare side has no coat that could last.');
        $plate = (new WholePlate())->shape($usual);
        self::assertSame([9, false], [$plate->partsPerRun, $plate->pulls]);
        self::assertCount(1, (new WholePlate())->setups($start));
        self::assertSame(Design::Adaptive, (new WhereTheLadderEnds())->shape(new PlanShape(Design::Fixed, 14, 7, 2, true))->design);
        self::assertSame([60.0], array_map(static fn (SetupDraft $each): ?float => $each->bedFirstC, (new StillHolding())->setups($start)));
    }

    /** Corners fail first (trade notes, section 10): the four corners of the plate are among the places. */
    public function testPartsAreSpreadOverThePlate(): void
    {
        $places = PlatePlaces::of(9, 250, 210);
        self::assertEqualsWithDelta(['place' => 1, 'x' => 1 / 6, 'y' => 1 / 6], $places[0], 1e-12);
        self::assertEqualsWithDelta(['place' => 9, 'x' => 5 / 6, 'y' => 5 / 6], $places[8], 1e-12);
        self::assertCount(9, array_unique(array_map(static fn (array $each): string => $each['x'].'/'.$each['y'], $places)));
        $long = PlatePlaces::of(8, 400, 100);
        self::assertSame([6, 2], array_values(array_count_values(array_map(static fn (array $each): string => (string) $each['y'], $long))), 'Along the plate.');
        self::assertSame([0.25, 0.75], [$long[6]['x'], $long[7]['x']], 'A last row that is not full is spread.');
        self::assertSame([['place' => 1, 'x' => 0.5, 'y' => 0.5]], PlatePlaces::of(1, 250, 210));
    }
}
