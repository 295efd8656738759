<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Heat;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Heat\Air;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\Face;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Tests\Core\Words\Said;

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
}
