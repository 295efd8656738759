<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Heat;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\LayerMaterial;
use Sitzplatz\Heat\Air;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\ClosedBox;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\Face;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\HeaterSize;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\CatalogueText;

final class StackTest extends TestCase
{
    use BuildsStacks;

    public function testAirIsAsTheTablesHaveIt(): void
    {
        // Incropera & DeWitt, table A.4 (from memory): air at 300 K and 350 K.
        foreach ([[300, 26.3e-3, 15.89e-6, 0.707], [350, 30.0e-3, 20.92e-6, 0.700]] as [$kelvin, $k, $nu, $prandtl]) {
            $air = new Air($kelvin - 273.15);
            self::assertEqualsWithDelta($k, $air->conductivityWMK, 0.02 * $k);
            self::assertEqualsWithDelta($nu, $air->kinematicViscosityM2S, 0.02 * $nu);
            self::assertEqualsWithDelta($prandtl, $air->prandtl, 0.02);
        }
    }

    public function testATopLosesByConvectionAndRadiation(): void
    {
        // By hand, 250 × 210 mm at 60 °C in 20 °C with air at 40 °C (k 0.0271, ν 17.0e-6, Pr 0.71): L 0.0571 m,
        // Ra 5.7e5, Nu 0.54·Ra^¼ = 14.9, h 7.05 W/m²K; radiation 0.9σ(333²+293²)(333+293) = 6.3. Together 13.3.
        self::assertEqualsWithDelta(13.3, Face::up(20, 250, 210, 0.9)->coefficientWM2K(60), 0.3);
        // Facing down it is half the convection; black-body exchange alone at equal temperatures is 4σT³.
        self::assertEqualsWithDelta(7.05 / 2, Face::down(20, 250, 210, 0)->coefficientWM2K(60), 0.2);
        self::assertEqualsWithDelta(4 * 5.670374419e-8 * 293.15 ** 3, Face::up(20, 250, 210, 1)->coefficientWM2K(20), 0.001);
    }

    public function testAColdFaceTurnsTheTwoSidesRound(): void
    {
        self::assertEqualsWithDelta(2, Face::down(60, 250, 210, 0)->coefficientWM2K(20) / Face::up(60, 250, 210, 0)->coefficientWM2K(20), 1e-9);
        self::assertGreaterThan(Face::up(20, 250, 210, 0.9)->coefficientWM2K(60), Face::up(20, 250, 210, 0.9, fanMS: 3)->coefficientWM2K(60));
    }

    public function testSetPointAndSurfaceAreInverse(): void
    {
        $stack = self::stack([['aluminium', 4], ['magnet_sheet', 1], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        $display = $stack->displayFor(60, 20);
        self::assertGreaterThan(60, $display);
        self::assertEqualsWithDelta(60, $stack->surfaceAt($display, 20), 1e-9);
        // ΔT = q·Σ(t/k + contact), by hand.
        $resistance = 0.004 / 167 + 0.001 / 0.6 + 0.0005 / 47 + 3e-4 + 0.00015 / 0.22;
        self::assertEqualsWithDelta($resistance, $stack->resistanceM2KW(), 1e-12);
        self::assertEqualsWithDelta(60 + $stack->lossWM2(60, 20) * $resistance, $display, 1e-9);
    }

    public function testAThickCompositeIsManyDegreesCoolerOnTop(): void
    {
        // Common practice: a 4.5 mm polymer composite at a display of 100 °C.
        $steel = self::stack([['aluminium', 4], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        $composite = self::stack([['aluminium', 4], ['polymer_composite', 4.5, 3e-4]]);
        self::assertLessThan(92, $composite->surfaceAt(100, 20));
        self::assertGreaterThan(98, $steel->surfaceAt(100, 20));
        $thin = HeatUp::of($steel, $steel->displayFor(60, 20), 20, 250);
        $thick = HeatUp::of($composite, $composite->displayFor(60, 20), 20, 250);
        self::assertGreaterThan(2 * ($thin->soakSeconds ?? 0), $thick->soakSeconds);
    }

    /**
     * Common practice: 0.5 mm of tacky silicone under glass want about 80 on the display for 70 at the surface; both faces of the pad
     * count, and a plate laid on it is bonded nowhere else.
     */
    public function testAPadUnderGlassCostsTenDegrees(): void
    {
        $layers = /** @param list<array{string, float}> $rows */ static fn (array $rows, bool $laid): array => array_map(
            static fn (array $row, int $i): Layer => new Layer(
                self::of($row[0]),
                $row[1],
                Layer::usualContactM2KW(self::of($row[0]), 0 === $i ? null : self::of($rows[$i - 1][0]), $laid),
            ),
            $rows,
            array_keys($rows),
        );
        $pad = new Stack($layers([['silicone', 0.5], ['soda_lime_glass', 4.0]], true), 250, 210);
        self::assertEqualsWithDelta(80.0, $pad->displayFor(70.0, 20.0), 1.0);
        $clips = new Stack($layers([['soda_lime_glass', 4.0]], true), 250, 210);
        self::assertLessThan(74.0, $clips->displayFor(70.0, 20.0));
        self::assertSame([0.0, 0.0], array_map(static fn (Layer $each): float => $each->contactBelowM2KW, $layers([['spring_steel', 0.5], ['pei', 0.1]], false)));
    }

    public function testPowerPerAreaSufficesAsPracticeSays(): void
    {
        // Common practice: 0.2 W/cm² for 60 °C, 0.6 W/cm² for 120 °C; the sum must find both reachable.
        $stack = self::stack([['aluminium', 4], ['spring_steel', 0.5, 3e-4]]);
        $cm2 = 25 * 21;
        self::assertNotNull(HeatUp::of($stack, 60, 20, 0.2 * $cm2)->totalSeconds());
        self::assertNotNull(HeatUp::of($stack, 120, 20, 0.6 * $cm2)->totalSeconds());
        self::assertNull(HeatUp::of($stack, 120, 20, 0.1 * $cm2)->displayReadySeconds, 'Too weak.');
        // A 150 × 150 mm mat of 150 W (0.67 W/cm²) reaches 150 °C (common practice).
        self::assertNotNull(HeatUp::of(self::stack([['aluminium', 4]], 150, 150), 150, 20, 150)->totalSeconds());
    }

    public function testHeatingUpBalancesItsEnergy(): void
    {
        // The display is ready no sooner than a lossless heater could store the heat, and the energy is at least that.
        $stack = self::stack([['aluminium', 4], ['spring_steel', 0.5, 3e-4]]);
        $joules = ((0.004 * 2700 * 896) + (0.0005 * 7850 * 470)) * 0.25 * 0.21 * 40;
        $up = HeatUp::of($stack, 60, 20, 200);
        self::assertGreaterThan($joules / 200 * 0.95, $up->totalSeconds());
        self::assertLessThan($joules / 200 * 1.6, $up->displayReadySeconds);
        self::assertGreaterThan($joules / 3600 * 0.95, $up->energyWh);
        self::assertEqualsWithDelta($stack->holdingWM2($up->surfaceC, 20) * 0.25 * 0.21, $up->holdingW, 1e-9);
    }

    public function testAThinPlateCoolsAsALumpedBody(): void
    {
        // Biot number far below 0.1: Newton's cooling, integrated here with the same coefficients in small steps.
        $plate = self::stack([['spring_steel', 0.5]]);
        $c = 0.0005 * 7850 * 470;
        $t = 60.0;
        $seconds = 0.0;
        while ($t > 35) {
            $t -= 0.1 * ($plate->top(20)->coefficientWM2K($t) + $plate->underside(20)->coefficientWM2K($t)) * ($t - 20) / $c;
            $seconds += 0.1;
        }
        self::assertEqualsWithDelta($seconds, CoolDown::seconds($plate, Cooling::OffPrinter, 60, 35, 20), 0.02 * $seconds);
    }

    public function testWaysOfCoolingStandInTheOrderPracticeKnows(): void
    {
        $bed = self::stack([['aluminium', 4], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        $plate = self::stack([['spring_steel', 0.5], ['pei', 0.15]]);
        $still = CoolDown::seconds($bed, Cooling::StillAir, 60, 35, 20);
        $fan = CoolDown::seconds($bed, Cooling::Fan, 60, 35, 20);
        $off = CoolDown::seconds($plate, Cooling::OffPrinter, 60, 35, 20);
        $freezer = CoolDown::seconds($plate, Cooling::Freezer, 60, 35, 20);
        self::assertGreaterThan($fan, $still);
        self::assertGreaterThan($off, $fan);
        self::assertGreaterThan($freezer, $off);
        // Common practice: ten minutes in a freezer are ample for flexible steel.
        self::assertLessThan(600, $freezer);
        self::assertNull(CoolDown::seconds($bed, Cooling::StillAir, 60, 25, 26), 'The room is warmer than that.');
        self::assertEqualsWithDelta(0, CoolDown::seconds($bed, Cooling::StillAir, 30, 35, 20), 0);
    }

    public function testAMeasuredSurfaceTemperatureCalibrates(): void
    {
        $stack = self::stack([['aluminium', 4], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        $calibrated = $stack->calibrated(60, 52, 20);
        self::assertEqualsWithDelta(52, $calibrated->surfaceAt(60, 20), 1e-6);
        self::assertGreaterThan(1, $calibrated->resistanceFactor);
        // A surface hotter than any layers would allow: the display is what is wrong.
        $offset = $stack->calibrated(60, 66, 20);
        self::assertEqualsWithDelta(66, $offset->surfaceAt(60, 20), 1e-6);
        self::assertLessThan(0, $offset->displayReadsHighK);
    }

    public function testNothingIsLearnedFromAColdSurface(): void
    {
        $this->expectException(BadHeat::class);
        self::stack([['aluminium', 4]])->calibrated(60, 20, 20);
    }

    public function testTheHeaterAndItsCurrent(): void
    {
        // Common practice: 300 mm mat of 600 W; current = power ÷ voltage, outputs stop at 10 to 15 A.
        $mains = HeaterCheck::of(600, 900, 120, 230, null);
        self::assertTrue($mains->enough);
        self::assertTrue($mains->mains);
        self::assertStringContainsString('caution.mains', implode(' ', Said::all($mains->cautions())));
        $weak = HeaterCheck::of(250, 525, 110, 12, 15);
        self::assertEqualsWithDelta(20.8333, $weak->currentA, 1e-3);
        self::assertFalse($weak->currentAllowed);
        self::assertFalse($weak->enough);
        self::assertStringContainsString('heater.overload current=20.8333', implode(' ', Said::all($weak->cautions())));
        self::assertEqualsWithDelta(0.2, HeaterCheck::of(100, 525, 60, null, null)->neededWattsPerCm2, 1e-12);
        self::assertEqualsWithDelta(0.6, HeaterCheck::of(100, 525, 120, null, null)->neededWattsPerCm2, 1e-12);
    }

    public function testOnlyWhatCanKillIsCalledMains(): void
    {
        self::assertTrue(HeaterCheck::of(600, 900, 120, 230, null)->mains);
        self::assertTrue(HeaterCheck::of(600, 900, 120, 51, null)->mains);
        self::assertFalse(HeaterCheck::of(600, 900, 120, 24, null)->mains);
        self::assertFalse(HeaterCheck::of(600, 900, 120, null, null)->mains);
    }

    public function testFiguresThatCannotBeAreRefused(): void
    {
        $refused = 0;
        foreach ([
            static fn () => new Layer(self::of('pei'), 0),
            static fn () => new Layer(self::of('pei'), \NAN),
            static fn () => new Stack([], 250, 210),
            static fn () => new Stack([new Layer(self::of('pei'), 1)], -1, 210),
            static fn () => HeaterCheck::of(0, 525, 60, null, null),
            static fn () => HeaterCheck::of(100, 525, 60, -5.0, null),
        ] as $make) {
            try {
                $make();
            } catch (BadHeat) {
                ++$refused;
            }
        }
        self::assertSame(6, $refused);
    }

    public function testAMatThatReaches150DegreesIsEnoughForThem(): void
    {
        // Common practice, trade notes section 11: 150 W on 150 × 150 mm reach 150 °C.
        self::assertTrue(HeaterCheck::of(150, 225, 150, null, null)->enough);
        self::assertEqualsWithDelta(150 / 225, HeaterCheck::of(150, 225, 150, null, null)->neededWattsPerCm2, 1e-12);
        self::assertEqualsWithDelta(0.6 + 2 * (150 / 225 - 0.6), HeaterCheck::of(150, 225, 180, null, null)->neededWattsPerCm2, 1e-12);
    }

    public function testAClosedPrinterCoolsInItsOwnWarmAir(): void
    {
        // An independent sum of a bed of 3 mm aluminium under a steel sheet has 10.8 min from 105 to 60 °C in a box of 50 °C and 17.4 from 55
        // to 35 in one of 32 °C, where the air stays as it is; here it comes down a little.
        $bed = self::stack([['aluminium', 3], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        $minutes = static fn (Cooling $way, float $from, float $to, float $airC, float $opens = \INF): float => (CoolDown::seconds(
            $bed,
            $way,
            $from,
            $to,
            20,
            new ClosedBox($airC, 20),
            $opens,
        ) ?? self::fail('It gets there.')) / 60;
        self::assertEqualsWithDelta(10.8, $minutes(Cooling::StillAir, 105, 60, 50), 0.1 * 10.8);
        self::assertEqualsWithDelta(17.4, $minutes(Cooling::StillAir, 55, 35, 32), 0.15 * 17.4);
        $open = (CoolDown::seconds($bed, Cooling::StillAir, 105, 60, 20) ?? 0.0) / 60;
        self::assertEqualsWithDelta($open, $minutes(Cooling::OpenDoor, 105, 60, 50), 1e-6, 'With the door open at once it is an open printer.');
        $below98 = $minutes(Cooling::OpenDoor, 105, 60, 50, 98);
        self::assertGreaterThan($open, $below98);
        self::assertLessThan($minutes(Cooling::OpenDoor, 105, 60, 50, 80), $below98);
        self::assertGreaterThan($minutes(Cooling::Fan, 105, 60, 50, 80), $minutes(Cooling::OpenDoor, 105, 60, 50, 80), 'A fan blows once the door is open.');
        // By hand: after an hour over a cold bed the air is half of the way down by one implicit step.
        self::assertEqualsWithDelta(35, (new ClosedBox(50, 20))->after(3600, 20)->airC, 1e-9);
        self::assertEqualsWithDelta(20 + 0.35 * 85, ClosedBox::over(105, 20)->airC, 1e-9);
    }

    public function testWhatStandsOnThePlateIsWarmForLonger(): void
    {
        $plate = self::stack([['spring_steel', 0.5], ['pei', 0.15]]);
        $minutes = static fn (Cooling $way, float $from, float $to, float $partMm): float => (CoolDown::seconds(
            $plate,
            $way,
            $from,
            $to,
            20,
            part: CoolDown::part($partMm),
        ) ?? self::fail('It gets there.')) / 60;
        // Common practice: some ten minutes in a freezer, until the part is cold through; a bare sheet would be there in 40 seconds.
        self::assertEqualsWithDelta(10, $minutes(Cooling::Freezer, 60, 35, 20), 4);
        self::assertEqualsWithDelta(10, $minutes(Cooling::Freezer, 22, 5, 20), 4);
        self::assertGreaterThan($minutes(Cooling::Freezer, 60, 35, 10), $minutes(Cooling::Freezer, 60, 35, 20));
        self::assertGreaterThan($minutes(Cooling::OffPrinter, 60, 35, 10), $minutes(Cooling::OffPrinter, 60, 35, 20));
        self::assertEqualsWithDelta(20, array_sum(array_map(static fn (Layer $each): float => $each->thicknessMm, CoolDown::part(20))), 1e-9);
        // A part as thin as a leaf is next to nothing.
        self::assertEqualsWithDelta(CoolDown::seconds($plate, Cooling::OffPrinter, 60, 35, 20), 60 * $minutes(Cooling::OffPrinter, 60, 35, 0.02), 6);
        // By hand: half a millimetre of steel and 0.15 mm of PEI conduct 47·0.0005 + 0.22·0.00015 = 0.02353 W/K, so heat spreads √(0.02353/20) =
        // 34.3 mm around a foot of 40 × 40: 1600/(1600 + 160·34.3 + π·34.3²) = 0.148.
        self::assertEqualsWithDelta(0.148, CoolDown::shareOf($plate, 1600, 160), 0.001);
    }

    public function testAnAirGapIsAsWarmAsTheBed(): void
    {
        // Air of 65 °C conducts 0.0291 W/mK (Sutherland; Incropera & DeWitt, table A.4, from memory, 0.0292 by interpolation), and between
        // faces of 0.9 radiation passes 4σT³/(2/ε − 1) = 7.16 W/m²K: of half a millimetre 1/(58.3 + 7.2).
        $gap = new Layer(new LayerMaterial('air', new CatalogueText('layer.name', 'air'), 0.026, 1.2, 1007, 0.9, false, false, Basis::Handbook, gas: true), 0.5);
        self::assertEqualsWithDelta(1 / 65.5, $gap->resistanceM2KW(), 0.01 / 65.5);
    }

    public function testHalfAKelvinIsNoDifferenceToAHeater(): void
    {
        // Common practice: 0.2 W/cm² suffice for 60 °C, which a display of 60.006 is; 150 W on 150 × 150 mm reach 150.
        self::assertTrue(HeaterCheck::of(80, 400, 60.006, null, null)->enough);
        self::assertTrue(HeaterCheck::of(150, 225, 150.3, null, null)->enough);
        self::assertFalse(HeaterCheck::of(80, 400, 61, null, null)->enough);
    }

    public function testAHeaterIsSizedByTheHeatAndByTheTime(): void
    {
        $bed = self::stack([['aluminium', 3], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]], 200, 200);
        $slow = HeaterSize::of($bed, 60, 20, 30, 24, 10);
        // Common practice: 0.2 W/cm² for 60 °C: 80 W on 200 × 200 mm, at 24 V 3.33 A.
        self::assertEqualsWithDelta([80, 80, 80 / 24], [$slow->watts, $slow->practiceW, $slow->check->currentA], 1e-9);
        self::assertSame('heater.for_the_heat', explode(' ', Said::of($slow->words()))[0]);
        self::assertTrue($slow->check->currentAllowed);
        self::assertSame([], $slow->check->cautions());
        $quick = HeaterSize::of($bed, 60, 20, 2, 230, 0.5);
        self::assertEqualsWithDelta(120, HeatUp::of($bed, 60, 20, $quick->watts)->displayReadySeconds, 2);
        self::assertGreaterThan($quick->practiceW, $quick->watts);
        // It cannot be less than what the metal takes up: (0.003·2700·896 + 0.0005·7850·470) J/m²K over 0.04 m² and 40 K in 120 s.
        self::assertGreaterThan((0.003 * 2700 * 896 + 0.0005 * 7850 * 470) * 0.04 * 38 / 120, $quick->watts);
        self::assertTrue($quick->check->mains);
        self::assertSame(['heater.overload_mains', 'caution.mains'], array_map(static fn ($each): string => explode(' ', Said::of($each))[0], $quick->check->cautions()));
        self::assertNull(HeaterSize::of($bed, 60, 20, 0.01, null, null)->inTimeW);
        $this->expectException(BadHeat::class);
        HeaterSize::of($bed, 60, 20, 0, null, null);
    }
}
