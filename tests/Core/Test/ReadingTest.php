<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measure\FailureLocus;
use Sitzplatz\Test\Measure\FinalOffset;
use Sitzplatz\Test\Measure\FirstPatchSpoiled;
use Sitzplatz\Test\Measure\RocksOnTable;
use Sitzplatz\Test\Measure\SkirtPeel;
use Sitzplatz\Test\Measure\Underside;
use Sitzplatz\Test\Measure\WhiteCrazing;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PrintLength;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullSample;
use Sitzplatz\Test\PullTrace;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunSheet;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\CatalogueText;

final class ReadingTest extends TestCase
{
    public function testReadingsAreStoredInTheirUnit(): void
    {
        // NIST SP 811 (from memory): 3.1 kgf = 30.400615 N, 68 °F = 20 °C, 0.01 in = 0.254 mm.
        self::assertEqualsWithDelta(30.400615, Reading::entered(Measure::PullHot, 3.1, 'kgf')->value, 1e-12);
        self::assertEqualsWithDelta(20, Reading::entered(Measure::ReleaseTemperature, 68, '°F')->value, 1e-12);
        self::assertEqualsWithDelta(0.254, Reading::entered(Measure::Lift, 0.01, 'in')->value, 1e-12);
        self::assertTrue(Reading::entered(Measure::PullCold, 80, 'N', true)->atLeast);
    }

    /** @return iterable<array{Measure, float, string, bool}> */
    public static function badReadings(): iterable
    {
        yield [Measure::PullHot, 12, 'kg', false];
        yield [Measure::PullHot, -1, 'N', false];
        yield [Measure::PullHot, \NAN, 'N', false];
        yield [Measure::PullHot, \INF, 'N', false];
        yield [Measure::Lift, 0.2, 'N', false];
        yield [Measure::Held, 0.5, '', false];
        yield [Measure::Held, 1, 'N', false];
        yield [Measure::Effort, 5, '', false];
        yield [Measure::Effort, 1.5, '', false];
        yield [Measure::Damage, 2, '', false];
        yield [Measure::ReleaseTemperature, 900, '°C', false];
        yield [Measure::Effort, 3, '', true];
        yield [Measure::Lift, 0.2, 'mm', true];
    }

    #[DataProvider('badReadings')]
    public function testWhatCannotBeIsRefused(Measure $measure, float $value, string $unit, bool $atLeast): void
    {
        $this->expectException(BadReading::class);
        Reading::entered($measure, $value, $unit, $atLeast);
    }

    public function testStressOfTheUsualPullBlock(): void
    {
        // Common practice: a base of 6 × 20 mm. By hand: 24 N over 120 mm² is 0.2 MPa.
        $along = new TestPiece('block', 20, 6, 8);
        $across = new TestPiece('block', 6, 20, 8);
        self::assertEqualsWithDelta(0.2, $along->shearStressMpa(24), 1e-12);
        // σ = 6·F·h/(b·L²): 6·24·8/(6·400) = 0.48 MPa.
        self::assertEqualsWithDelta(0.48, $along->edgePeelStressMpa(24), 1e-12);
        // The two directions of this base differ 3.3 times.
        self::assertEqualsWithDelta(20 / 6, $across->edgePeelStressMpa(24) / $along->edgePeelStressMpa(24), 1e-12);
    }

    public function testPeakOfATrace(): void
    {
        $trace = PullTrace::of(self::samples([0, 4, 11, 23.5, 31.2, 2, 0]), 200);
        // Samples are 50 ms apart; 5 % of the peak are passed at the second, and from 20 to 80 % lie 11 and 23.5 N.
        self::assertSame(50, $trace->onsetMilliseconds);
        self::assertEqualsWithDelta(12.5 / 0.05, (float) $trace->riseNPerS, 1e-9);
        // It came off where less than half of the pull is left.
        self::assertFalse(PullTrace::of(self::samples([0, 10, 20, 30, 17]), 200)->gaveWay);
        self::assertTrue(PullTrace::of(self::samples([0, 10, 20, 30, 13]), 200)->gaveWay);
        $jerked = PullTrace::of(self::samples([0, 5, 0, 0, 10, 20, 30, 1]), 200);
        self::assertSame(200, $jerked->onsetMilliseconds, 'A jerk that fell back was not the pull.');
        self::assertNull(PullTrace::of(self::samples([0, 30]), 200)->riseNPerS);
        self::assertEqualsWithDelta(31.2, $trace->peakN, 0);
        self::assertSame(200, $trace->peakAtMilliseconds);
        self::assertTrue($trace->gaveWay);
        self::assertFalse($trace->toppedOut);
        $exact = $trace->reading(PullKind::Hot, false);
        self::assertSame([Measure::PullHot, false], [$exact->measure, $exact->atLeast]);
        $broke = $trace->reading(PullKind::Cold, true);
        self::assertSame([Measure::PullCold, true], [$broke->measure, $broke->atLeast]);
    }

    public function testAGaugeThatToppedOutGivesALowerBound(): void
    {
        $trace = PullTrace::of(self::samples([0, 90, 199.6, 199.8, 199.8]), 200);
        self::assertTrue($trace->toppedOut);
        self::assertFalse($trace->gaveWay);
        self::assertTrue($trace->reading(PullKind::Hot, false)->atLeast);
    }

    public function testNoForceIsNoPull(): void
    {
        $this->expectException(BadReading::class);
        PullTrace::of(self::samples([0, 0, 0]), 200);
    }

    public function testAPartGivesOnePull(): void
    {
        $hot = RunStep::sequence(PullKind::Hot);
        $cold = RunStep::sequence(PullKind::Cold);
        self::assertContains(RunStep::HotPull, $hot);
        self::assertNotContains(RunStep::ColdPull, $hot);
        self::assertSame([RunStep::Cool, RunStep::ColdPull], \array_slice($cold, 4, 2));
        // One that came off in the print has none.
        $none = RunStep::sequence(PullKind::Cold, Outcome::CameOff->pullPossible());
        self::assertSame([RunStep::Prepare, RunStep::HeatAndSoak, RunStep::Print, RunStep::FirstLayer, RunStep::Inspect, RunStep::Clean], $none);
    }

    public function testOnlyAPartThatLayFlatToTheEndHeld(): void
    {
        self::assertTrue(Outcome::Held->held());
        self::assertFalse(Outcome::Lifted->held());
        self::assertTrue(Outcome::Lifted->pullPossible());
        self::assertFalse(Outcome::PlateShifted->pullPossible());
        foreach (Outcome::cases() as $outcome) {
            self::assertSame('outcome.'.$outcome->value, Said::of($outcome->words()));
        }
    }

    public function testTheSheetPutsCautionsWhereTheHandWouldGetHurt(): void
    {
        // Common practice, trade notes section 18.
        $sheet = new RunSheet(
            'P6 front',
            self::text('glass'),
            self::text('Wipe it.'),
            'Film can',
            self::text('Wet it fully.'),
            self::text('Flammable.'),
            60.5,
            215,
            'block.gcode',
            35,
            8,
            true,
            true,
            [self::text('Edges are sharp.')],
        );
        self::assertSame(['Flammable.'], Said::all($sheet->at(RunStep::Prepare)['cautions']));
        self::assertStringContainsString('caution.hot_bed', implode(' ', Said::all($sheet->at(RunStep::HeatAndSoak)['cautions'])));
        self::assertSame(480, $sheet->at(RunStep::HeatAndSoak)['timerSeconds']);
        self::assertStringContainsString('sheet.heat.set dial=(dial.unknown display=60.5)', implode(' ', Said::all($sheet->at(RunStep::HeatAndSoak)['lines'])));
        self::assertStringContainsString('caution.fumes', implode(' ', Said::all($sheet->at(RunStep::Print)['cautions'])));
        self::assertStringContainsString('caution.hot_plate', implode(' ', Said::all($sheet->at(RunStep::HotPull)['cautions'])));
        self::assertStringContainsString('sheet.cool.below below=35', implode(' ', Said::all($sheet->at(RunStep::Cool)['lines'])));
        self::assertContains('Edges are sharp.', Said::all($sheet->at(RunStep::ColdPull)['cautions']));
        foreach ([...RunStep::sequence(PullKind::Hot), ...RunStep::sequence(PullKind::Cold)] as $step) {
            self::assertNotSame([], $sheet->at($step)['lines']);
        }
        $bare = new RunSheet('P1', self::text('steel'), self::text('Wipe it.'), null, null, null, null, null, 'a', null, 0, false, false, []);
        self::assertStringContainsString('sheet.prepare.bare', implode(' ', Said::all($bare->at(RunStep::Prepare)['lines'])));
        self::assertStringContainsString('sheet.heat.unheated', implode(' ', Said::all($bare->at(RunStep::HeatAndSoak)['lines'])));
        // PC cracks audibly when an opened door cools it (trade notes, section 2).
        $pc = new RunSheet('P1', self::text('steel'), self::text('Wipe it.'), null, null, null, 110, 270, 'a', 70, 8, true, false, [], doorShut: true);
        foreach ([...RunStep::sequence(PullKind::Hot), ...RunStep::sequence(PullKind::Cold)] as $step) {
            self::assertSame(\in_array($step, [RunStep::Print, RunStep::Cool], true), \in_array('sheet.door_shut', Said::all($pc->at($step)['lines']), true), $step->value);
        }
    }

    /** The first print on a coat puts it on, at one spot; the next leaves it; a bare plate has none (common practice). */
    public function testACoatIsPutOnOnceAndThenStays(): void
    {
        $prepare = static fn (?int $onCoat, ?string $agent, bool $filament): string => implode(' ', Said::all((new RunSheet(
            'P6 front',
            self::text('glass'),
            self::text('Wipe it.'),
            $agent,
            null === $agent ? null : self::text('Wet it fully.'),
            null,
            60.0,
            215,
            'a',
            35,
            8,
            $filament,
            false,
            [],
            printOnCoat: $onCoat,
        ))->at(RunStep::Prepare)['lines']));
        self::assertStringContainsString('sheet.prepare.agent agent=Film can', $prepare(1, 'Film can', true));
        self::assertStringContainsString('sheet.prepare.one_spot', $prepare(1, 'Film can', true));
        self::assertStringContainsString('sheet.prepare.coat_stays print=2', $prepare(2, 'Film can', true));
        self::assertStringNotContainsString('sheet.prepare.agent', $prepare(2, 'Film can', true));
        self::assertStringNotContainsString('one_spot', $prepare(null, 'Film can', true));
        self::assertStringContainsString('sheet.prepare.bare', $prepare(null, null, true));
    }

    /** Between half and twice what was planned the clock of the sheet measures a print (ours); longer it was only until somebody came. */
    public function testTheClockMeasuresAPrintThatWasAboutAsLongAsPlanned(): void
    {
        self::assertSame([false, true, true, true, false], array_map(static fn (float $minutes): bool => PrintLength::measured($minutes, 60.0), [29.9, 30.0, 60.0, 120.0, 120.1]));
        self::assertSame([false, true, true], array_map(static fn (float $minutes): bool => PrintLength::told($minutes, 60.0), [29.9, 30.0, 500.0]));
        self::assertTrue(PrintLength::measured(3.0, null), 'Nobody planned it.');
    }

    public function testTheBedAfterTheFirstLayerIsSaidWhereItIsAnother(): void
    {
        $after = static fn (?float $first, ?float $other): array => array_values(array_filter(
            Said::all((new RunSheet('P1', self::text('steel'), self::text('Wipe it.'), null, null, null, $first, 210, 'a', 35, 8, false, false, [], $other))->at(RunStep::FirstLayer)['lines']),
            static fn (string $line): bool => str_contains($line, 'sheet.first_layer.bed_'),
        ));
        self::assertSame([], $after(60.0, 60.0));
        self::assertSame([], $after(60.0, 60.04), 'As a display has it.');
        self::assertSame(['sheet.first_layer.bed_after bed=50'], $after(60.0, 50.0));
        self::assertSame(['sheet.first_layer.bed_off'], $after(60.0, null));
        self::assertSame([], $after(null, null), 'It was never on.');
    }

    public function testAResinIsWashedAndCuredAndEachStepCautions(): void
    {
        $sheet = new RunSheet('P10', self::text('steel'), self::text('Wipe it.'), null, null, null, null, null, 'a', null, 0, false, true, [self::text('Gloves and glasses.')], filament: false);
        $steps = RunStep::sequence(PullKind::Cold, filament: false);
        self::assertSame(['cold_pull', 'wash', 'cure', 'inspect'], array_map(static fn (RunStep $step): string => $step->value, \array_slice($steps, 3, 4)));
        self::assertNotContains(RunStep::Wash, RunStep::sequence(PullKind::Cold, false, false), 'What fell off is not washed for its foot.');
        foreach ([RunStep::Wash, RunStep::Cure] as $step) {
            self::assertContains('Gloves and glasses.', Said::all($sheet->at($step)['cautions']));
            self::assertFalse($step->occupiesPrinter(true), 'The printer is free by then.');
        }
        self::assertStringContainsString('caution.wash', implode(' ', Said::all($sheet->at(RunStep::Wash)['cautions'])));
    }

    /** Trade notes, section 7: "lift normally shows within the first hour". */
    public function testALongPrintIsLookedAtAgainAfterAnHour(): void
    {
        $sheet = static fn (float $minutes): array => (new RunSheet('P1', self::text('steel'), self::text('Wipe it.'), null, null, null, 60, 210, 'a', 35, 8, false, false, [], 60, printMinutes: $minutes))->at(RunStep::FirstLayer);
        self::assertSame([3600, null], [$sheet(90.0)['timerSeconds'], $sheet(24.0)['timerSeconds']]);
        self::assertContains('sheet.first_layer.look_again', Said::all($sheet(90.0)['lines']));
    }

    /** What eye and finger say is one of some words, and nothing between. */
    public function testWhatIsSaidInWordsIsOneOfThem(): void
    {
        foreach ([new RocksOnTable(), new WhiteCrazing(), new FirstPatchSpoiled(), new FailureLocus(), new SkirtPeel(), new Underside()] as $measure) {
            $most = [] === $measure->levels() ? 1 : \count($measure->levels()) - 1;
            self::assertEqualsWithDelta($most, $measure->stored($most, ''), 1e-12);
            // What a table's arithmetic left of a whole number is one, to a billionth.
            self::assertEqualsWithDelta(1.0, $measure->stored(1 + 0.9e-9, ''), 0.0);
            foreach ([[-1, ''], [$most + 1, ''], [0.5, ''], [1 + 1.1e-9, ''], [-1.1e-9, ''], [1, 'mm']] as [$value, $unit]) {
                try {
                    $measure->stored($value, $unit);
                    self::fail($measure->key());
                } catch (BadReading) {
                }
            }
        }
        self::assertEqualsWithDelta(-0.05, (new FinalOffset())->stored(-0.05, 'mm'), 1e-12, 'A correction goes both ways.');
        $this->expectException(BadReading::class);
        (new FinalOffset())->stored(7, 'mm');
    }

    /**
     * @param list<int|float> $forces
     *
     * @return list<PullSample>
     */
    private static function samples(array $forces): array
    {
        return array_map(static fn (int $i, int|float $n): PullSample => new PullSample(50 * $i, (float) $n), array_keys($forces), $forces);
    }

    private static function text(string $english): CatalogueText
    {
        return new CatalogueText('test', $english);
    }
}
