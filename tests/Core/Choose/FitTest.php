<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Request\FileFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Tests\Core\Words\Said;

/** What fits a printer: seat and print area, what holds the plate, glass and heat, the file; common practice (trade notes, 5, 9 and 11). */
final class FitTest extends TestCase
{
    use BuildsJobs;

    public function testAPlateMayBeLargerThanWhatTheNozzleReaches(): void
    {
        $printer = self::printer(['bedWidthMm' => 258.0, 'bedDepthMm' => 258.0, 'printWidthMm' => 256.0, 'printDepthMm' => 256.0]);
        $plate = self::side('pei_textured', widthMm: 258.0, depthMm: 258.0);
        self::assertSame('', self::why($printer, $plate));
        self::assertSame('', self::why($printer, $plate, ['widthMm' => 256.0, 'depthMm' => 100.0]));
        self::assertStringStartsWith('gate.job_beyond_print_area width=257', self::why($printer, $plate, ['widthMm' => 257.0, 'depthMm' => 100.0]));
        self::assertStringStartsWith('gate.plate_too_large', self::why($printer, self::side('pei_textured', widthMm: 264.0, depthMm: 258.0)));
        // Common practice: 258 mm on a machine sold as 256 is the ordinary pair; what is printed stays within 256.
        $sold = self::printer(['bedWidthMm' => 256.0, 'bedDepthMm' => 256.0]);
        self::assertSame('', self::why($sold, $plate));
        self::assertStringStartsWith('gate.job_beyond_print_area width=257', self::why($sold, $plate, ['widthMm' => 257.0, 'depthMm' => 100.0]));
    }

    public function testARoundSeatTakesItsOwnDiameterOrADiagonal(): void
    {
        $round = self::printer(['bedWidthMm' => 300.0, 'bedDepthMm' => 300.0, 'bedRound' => true]);
        self::assertSame('', self::why($round, self::side('pei_textured', widthMm: 300.0, depthMm: 300.0, round: true)));
        self::assertStringStartsWith('gate.plate_too_large', self::why($round, self::side('pei_textured', widthMm: 300.0, depthMm: 300.0)));
        // A square of 212 mm has a diagonal of 299.8 mm.
        self::assertSame('', self::why($round, self::side('pei_textured', widthMm: 212.0, depthMm: 212.0)));
        self::assertStringStartsWith('gate.plate_too_large', self::why($round, self::side('pei_textured', widthMm: 213.0, depthMm: 213.0)));
        // A round mat of 600 W and 300 mm: 600 ÷ (π/4 · 30²) = 0.849 W/cm² (trade notes, section 11).
        self::assertEqualsWithDelta(0.849, 600 / $round->bedAreaCm2(), 0.001);
        // What is reckoned for an area is right: the square in its place has it too.
        self::assertEqualsWithDelta(100 * $round->bedAreaCm2(), $round->bedSpanMm(300) ** 2, 1e-6);
    }

    public function testAMatOfTwoThirdsOfAWattReachesAHundredAndFifty(): void
    {
        // Trade notes, section 11: 150 × 150 mm with 150 W reaches 150 °C.
        self::assertTrue(HeaterCheck::of(150, 225, 150, null, null)->enough);
        self::assertFalse(HeaterCheck::of(140, 225, 150, null, null)->enough);
        self::assertFalse(HeaterCheck::of(150, 225, 165, null, null)->enough);
    }

    public function testWhatHoldsAPlateHasToBeOnThePrinter(): void
    {
        $magnets = self::printer(['holds' => [HoldDown::Magnet]]);
        self::assertSame('', self::why($magnets, self::side('pei_textured', heldBy: HoldDown::Magnet)));
        self::assertSame(
            'gate.hold_down side=P1 front wants=hold_down.clips printer=North bay has=[hold_down.magnet]',
            self::why($magnets, self::side('pei_textured')),
        );
        self::assertSame('', self::why(self::printer(), self::side('pei_textured')), 'Not said: not held against it.');
        $clips = self::printer(['holds' => [HoldDown::Clips], 'clipsOpenMm' => 3.0]);
        self::assertStringStartsWith('gate.clips side=P1 front thickness=4', self::why($clips, self::side('glass'), [], 'glass'));
        self::assertSame('', self::why($clips, self::side('glass', layers: self::layers([['borosilicate_glass', 3.0]], true)), [], 'glass'));
        $glued = self::side('pei_smooth', heldBy: HoldDown::Glue, printerId: 'another');
        self::assertSame('gate.stays_elsewhere side=P1 front', self::why(self::printer(), $glued, [], 'pei_smooth'));
        self::assertSame('', self::why(self::printer(['id' => 'another']), $glued, [], 'pei_smooth'));
    }

    public function testThinGlassIsNotHeatedAndHotGlassDoesNotMeetAColdBench(): void
    {
        $thin = self::side('glass', layers: self::layers([['soda_lime_glass', 2.0]], true));
        self::assertStringStartsWith('gate.thin_glass side=P1 front thickness=2', self::why(self::printer(), $thin, [], 'glass'));
        self::assertSame('', self::why(self::printer(), self::side('glass', layers: self::layers([['soda_lime_glass', 3.0]], true)), [], 'glass'));
        // Float glass hotter than the bench by more than 40 K stays on the printer; borosilicate bears more.
        foreach (['soda_lime_glass' => false, 'borosilicate_glass' => true] as $glass => $comesOff) {
            $ranking = self::rank(self::job('abs'), [self::side('glass', layers: self::layers([[$glass, 4.0]], true))], ['wiped_film']);
            $candidate = self::find($ranking, 'glass', 'wiped_film') ?? self::fail();
            self::assertSame($comesOff, \array_key_exists('off_printer', $ranking->heat->cooling($candidate->proposal)));
            $never = implode(' ', Said::all(CandidateSums::of($candidate, $ranking->heat, null)->release->never));
            self::assertSame(!$comesOff, str_contains($never, 'off.no_cold_bench below=60'));
        }
    }

    public function testAnOwnSoakTestLiftsTheLimitOfASheetButNotThatOfThisPlate(): void
    {
        self::assertStringContainsString('stop.surface side=P1 front) at=80', self::whyAbs(self::side('magnet_sheet')));
        self::assertSame('', self::whyAbs(self::side('magnet_sheet', soakC: 100.0)));
        self::assertStringContainsString('at=85', self::whyAbs(self::side('magnet_sheet', soakC: 100.0, ownLimitC: 85.0)));
    }

    public function testAFileThatContradictsTheJobIsSaid(): void
    {
        $heeds = static fn (FileFacts $file): string => implode(' ', Said::all(self::rank(self::job('pla', ['file' => $file]), [self::side('pei_textured')])->candidates[0]->heeds(null)));
        self::assertStringContainsString('heed.file_bed file=75', $heeds(new FileFacts(75.0)));
        self::assertStringNotContainsString('heed.file_bed', $heeds(new FileFacts(56.0)));
        self::assertStringNotContainsString('heed.file_bed', $heeds(new FileFacts()));
        $notes = static fn (FileFacts $file, bool $board = false): string => implode(
            ' ',
            Said::all(self::job('pla', ['file' => $file, 'printer' => self::printer(['boardHeater' => $board])])->notes()),
        );
        self::assertStringContainsString('job.file_nozzle set=245 material=PLA low=195 high=220', $notes(new FileFacts(60.0, 245.0)));
        self::assertSame('', $notes(new FileFacts(60.0, 215.0, 58.0)));
        self::assertStringContainsString('caution.bed_lowered first=60 other=40', $notes(new FileFacts(60.0, 215.0, 40.0)));
        self::assertStringNotContainsString('board', $notes(new FileFacts(60.0, 215.0, 40.0)));
        self::assertStringContainsString('job.board_bows', $notes(new FileFacts(60.0, 215.0, 40.0), true));
    }

    public function testAHeatedChamberWarmsThePlateAndIsSaidToSoften(): void
    {
        $display = static fn (?float $chamberC): ?float => self::rank(
            self::job('abs', ['printer' => self::printer(['chamberC' => $chamberC])]),
            [self::side('thick_composite')],
        )->candidates[0]->target->displayC;
        self::assertLessThan($display(null) - 5, $display(70.0), 'The less the top gives off, the less is to be added.');
        $notes = static fn (float $chamberC, string $material): string => implode(
            ' ',
            Said::all(self::job($material, ['printer' => self::printer(['chamberC' => $chamberC])])->notes()),
        );
        self::assertStringContainsString('job.chamber_softens chamber=50', $notes(50, 'pla'));
        self::assertSame('', $notes(70, 'abs'));
        self::assertSame('', $notes(80, 'pa'), 'What crystallises is stiff above its glass transition.');
        $ranking = self::rank(self::job('abs', ['printer' => self::printer(['chamberC' => 70.0])]), [self::side('pei_textured')]);
        self::assertStringContainsString('off.chamber chamber=70', implode(' ', Said::all(CandidateSums::of($ranking->candidates[0], $ranking->heat, null)->release->steps)));
    }

    public function testAPartTakesItsOwnTimeToCool(): void
    {
        $side = self::side('pei_textured');
        $seconds = static function (array $change) use ($side): array {
            $ranking = self::rank(self::job('pla', $change), [$side]);

            return $ranking->heat->cooling($ranking->candidates[0]->proposal);
        };
        $without = $seconds([]);
        $with = $seconds(['part' => self::block(), 'partCount' => 9]);
        // By hand: 9 blocks of 1600 mm² × 20 mm, 0.4 full, 1.8e-3 J/mm³K: 207.4 J/K, beside what bed and plate take up.
        $ranking = self::rank(self::job('pla'), [$side]);
        $stack = $ranking->candidates[0]->proposal->stack ?? self::fail('Its layers are known.');
        self::assertEqualsWithDelta(1 + 207.36 / $stack->heatJK(), $with['still_air'] / $without['still_air'], 1e-6);
        // Of the plate alone it is told under the part: the higher it is, the longer; without one a usual part of 20 mm is taken.
        self::assertEqualsWithDelta($without['off_printer'], $with['off_printer'], 1e-9);
        $higher = $seconds(['part' => new PartFacts(1600, 160, 57, 57, 40)]);
        self::assertGreaterThan(1.2 * $without['freezer'], $higher['freezer']);
        self::assertGreaterThan($seconds(['part' => new PartFacts(1600, 160, 57, 57, 5)])['freezer'], $higher['freezer']);
    }

    public function testAClosedPrinterIsOpenedOnlyForWhatStandsIt(): void
    {
        $ways = static function (string $material, array $printer, string $surface = 'pei_textured'): array {
            $ranking = self::rank(self::job($material, ['printer' => self::printer($printer)]), [self::side($surface)]);
            $candidate = $ranking->candidates[0];

            return [$ranking->heat->cooling($candidate->proposal), implode(' ', Said::all(CandidateSums::of($candidate, $ranking->heat, null)->release->steps))];
        };
        [$open, $saidOpen] = $ways('pla', ['enclosed' => false]);
        self::assertArrayNotHasKey('open_door', $open);
        self::assertStringNotContainsString('door', $saidOpen);
        [$pla, $said] = $ways('pla', []);
        self::assertEqualsWithDelta($open['still_air'], $pla['open_door'], 1e-6);
        self::assertGreaterThan(1.5 * $pla['open_door'], $pla['still_air']);
        self::assertStringContainsString('off.open_door ', $said.' ');
        [$abs, $said] = $ways('abs', []);
        self::assertGreaterThan($abs['open_door'], $abs['still_air']);
        self::assertStringContainsString('off.open_door_below material=ABS below=98', $said);
        // Common practice: PC cracks when an opened door cools it; what is taken off hot would cool as fast.
        [$pc, $said] = $ways('pc', ['chamberC' => 70.0, 'maxBedC' => 130.0], 'adhesive_sheet');
        self::assertSame(['still_air'], array_keys(array_diff_key($pc, ['freezer' => 0])));
        self::assertStringContainsString('off.door_shut', $said);
    }

    public function testRadiationCrossesAGap(): void
    {
        // By hand at 338 K between faces of 0.9: 4 · 5.67e-8 · 338³ ÷ (2 ÷ 0.9 − 1) = 7.166 W/m²K, beside 0.02914 ÷ 0.002 = 14.57 by conduction.
        self::assertEqualsWithDelta(1 / (14.57 + 7.166), (new Layer(self::catalogue()->layer('air'), 2.0))->resistanceM2KW(), 1e-4);
        self::assertEqualsWithDelta(0.002 / 0.25, (new Layer(self::catalogue()->layer('silicone'), 2.0))->resistanceM2KW(), 1e-12);
    }

    /** @param array<string, mixed> $change members of the job */
    private static function why(PrinterFacts $printer, SideFacts $side, array $change = [], string $surface = 'pei_textured'): string
    {
        $ranking = self::rank(self::job('pla', ['printer' => $printer, ...$change]), [$side], ['pva_stick']);

        return null === self::find($ranking, $surface) ? self::refusal($ranking, $surface) : '';
    }

    private static function whyAbs(SideFacts $side): string
    {
        return self::refusal(self::rank(self::job('abs'), [$side]), 'magnet_sheet');
    }
}
