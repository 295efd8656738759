<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Mixing;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Mixing\AbsSolution;
use Sitzplatz\Mixing\AlcoholWater;
use Sitzplatz\Mixing\CalculatorInput;
use Sitzplatz\Mixing\CannotCalculate;
use Sitzplatz\Mixing\Dilution;
use Sitzplatz\Mixing\PvaThinning;
use Sitzplatz\Mixing\Solvent;
use Sitzplatz\Mixing\ThinBack;
use Sitzplatz\Mixing\Vapour;
use Sitzplatz\Mixing\VapourInRoom;
use Sitzplatz\Tests\Core\Words\Said;

final class SumsTest extends TestCase
{
    public function testAlcoholAndWaterContract(): void
    {
        // USP: isopropyl rubbing alcohol, 70 % by volume, has a specific gravity of 0.872 to 0.883 at 20 °C (from memory).
        $seventy = AlcoholWater::propanol(0.7);
        self::assertGreaterThan(0.872, $seventy->density / AlcoholWater::WATER);
        self::assertLessThan(0.883, $seventy->density / AlcoholWater::WATER);
        // OIML R 22: ethanol of 40 % by volume weighs 948.05 kg/m³ at 20 °C, of 70 % 885.5 (from memory).
        self::assertEqualsWithDelta(0.94805, AlcoholWater::ethanol(0.4)->density, 3e-4);
        self::assertEqualsWithDelta(0.8855, AlcoholWater::ethanol(0.7)->density, 5e-4);
        foreach ([AlcoholWater::propanol(...), AlcoholWater::ethanol(...)] as $of) {
            self::assertEqualsWithDelta([0.0, AlcoholWater::WATER, 1.0], [$of(0.0)->massShare, $of(0.0)->density, $of(1.0)->massShare], 1e-6);
        }
    }

    public function testACleanerIsThinnedByMass(): void
    {
        // By hand from the densities: a litre of 70 % weighs 875.9 g; 707 mL of 99 % weigh 557.9 g; 318 g of water are between.
        $answer = (new Dilution())->of(['of' => 0.0, 'have' => 0.99, 'want' => 0.7, 'made' => 1e6]);
        self::assertSame('calculator.dilution.answer', explode(' ', Said::of($answer->lines[0]))[0]);
        self::assertMatchesRegularExpression('/strong=70707\d\.\d+ water=31[89]\d{3}/', Said::of($answer->lines[0]));
        self::assertStringContainsString('apart=292929', Said::of($answer->lines[1]), 'By volumes alone it would be 293 mL, and too strong.');
        $ethanol = (new Dilution())->of(['of' => 1.0, 'have' => 0.96, 'want' => 0.7, 'made' => 1e6]);
        // By hand: 729.2 mL of 96 % at 0.8073 weigh 588.7 g of 885.5: 296.8 g of water, 297 mL.
        self::assertMatchesRegularExpression('/water=29[67]\d{3}/', Said::of($ethanol->lines[0]));
        $this->expectException(CannotCalculate::class);
        (new Dilution())->of(['of' => 0.0, 'have' => 0.5, 'want' => 0.7, 'made' => 1e6]);
    }

    public function testAJarIsMixedAndThinnedBack(): void
    {
        self::assertStringEndsWith('abs=4 acetone=200000 weighs=157', Said::of((new AbsSolution())->of(['strength' => 0.0, 'acetone' => 200_000.0])->lines[0]));
        self::assertStringContainsString('abs=60 ', Said::of((new AbsSolution())->of(['strength' => 2.0, 'acetone' => 200_000.0])->lines[0]));
        // 15.7 g at 0.785 g/mL are 20 mL.
        self::assertStringContainsString('grams=15.7 volume=20000', Said::of((new ThinBack())->of(['then' => 250.0, 'now' => 234.3])->lines[0]));
        self::assertStringContainsString('water=80 glue=20 makes=100', Said::of((new PvaThinning())->of(['glue' => 20.0, 'have' => 0.45, 'want' => 0.09])->lines[0]));
        // Wood glue of 45 % brought to 9 %, as is usual (common practice), is what the form begins with.
        self::assertSame([20.0, 0.45, 0.09], array_map(static fn (CalculatorInput $input): float => (float) $input->usual, (new PvaThinning())->inputs()));
        $this->expectException(CannotCalculate::class);
        (new ThinBack())->of(['then' => 200.0, 'now' => 234.3]);
    }

    public function testTenMillilitresOfAcetoneInARoom(): void
    {
        // (m/M)·24.45 L/mol ÷ V: 10 mL in 30 m³ are 110 ppm (worst case, all evaporated and unventilated).
        $still = new VapourInRoom(Solvent::Acetone, 10, 30, 10, 0, 1e9);
        self::assertEqualsWithDelta(110.2, $still->worstPpm(), 0.1);
        self::assertEqualsWithDelta($still->worstPpm(), $still->peakPpm(), 1e-9);
        // Of eight hours ten minutes rise evenly: 110.2·(480 − 5)/480.
        self::assertEqualsWithDelta(110.2 * 475 / 480, $still->shiftPpm(), 0.1);
        // By hand: with G = 11.02 ppm/min and six changes an hour it stands at G/0.1·(1 − e⁻¹) when it ends.
        $aired = new VapourInRoom(Solvent::Acetone, 10, 30, 10, 6, 1e9);
        self::assertEqualsWithDelta(110.2 * (1 - exp(-1)), $aired->peakPpm(), 0.1);
        // All that came in has left but for e⁻⁴⁷: its sum is G·T/λ.
        self::assertEqualsWithDelta(110.2 / 0.1 / 480, $aired->shiftPpm(), 0.01);
    }

    /** NIOSH Pocket Guide (from memory): REL and PEL over a shift; European limits and their factors for a quarter of an hour (from memory). */
    public function testLimitsOfAWorkplaceAreThoseOfTheTables(): void
    {
        $limits = static fn (Solvent $of): array => array_values((array) $of->limitsPpm());
        self::assertEqualsWithDelta([[250, 1000, 500, 1000], [400, 400, 200, 400], [1000, 1000, 200, 800]], array_map($limits, [Solvent::Acetone, Solvent::Propanol, Solvent::Ethanol]), 1e-9);
        self::assertEqualsWithDelta([243_770, 43_425, 57_242], array_map(static fn (Solvent $of): float => $of->saturationPpm(), Solvent::cases()), 1.0);
    }

    /** By hand, without air: it rises evenly for ten minutes and then stands; the worst quarter of an hour is one of those that come after. */
    public function testTheWorstQuarterOfAnHourIsFoundWhereverItLies(): void
    {
        $still = new VapourInRoom(Solvent::Acetone, 10, 30, 10, 0, 1e9);
        self::assertEqualsWithDelta($still->peakPpm(), $still->shortTimePpm(), 1e-6);
        // G = 11.02 ppm/min for an hour and one change a minute: it stands at 11.02 from the first minutes on, and so does its mean.
        $steady = new VapourInRoom(Solvent::Acetone, 60, 30, 60, 60, 1e9);
        self::assertEqualsWithDelta($steady->peakPpm(), $steady->shortTimePpm(), 1e-3 * $steady->peakPpm());
        self::assertEqualsWithDelta(110.2 / 10, $steady->peakPpm(), 0.05);
    }

    /** By hand: at the jar 330.6 ppm more for ten minutes, a room that rises evenly to 110.2 and stays: from the first minute on it is worst. */
    public function testWhoStandsAtTheJarFromTheBeginningHasTheWorstOfIt(): void
    {
        $near = new VapourInRoom(Solvent::Acetone, 10, 30, 10, 0, 1);
        self::assertEqualsWithDelta((10 * 330.6 + 10 * 55.1 + 5 * 110.2) / 15, $near->shortTimePpm(), 0.3);
    }

    public function testAtTheJarItIsRicherAndNeverMoreThanTheAirCanTake(): void
    {
        // 110.2 ppm · 30 m³ in 10 min into 5 m³/min: 66.1 ppm above the room.
        $near = new VapourInRoom(Solvent::Acetone, 10, 30, 10, 0, 5);
        self::assertEqualsWithDelta($near->peakPpm() + 110.2 * 30 / 10 / 5, $near->nearPeakPpm(), 0.1);
        self::assertEqualsWithDelta($near->nearPeakPpm() / 25_000, $near->flammableShare(), 1e-9);
        // Over the worst 15 min: ten of them at the jar, and the room by then.
        self::assertGreaterThan($near->shiftPpm(), $near->shortTimePpm());
        self::assertLessThan($near->nearPeakPpm(), $near->shortTimePpm());
        $flood = new VapourInRoom(Solvent::Propanol, 5_000, 2, 1, 0, 0.5);
        // 4.4 kPa of 101.3: 4.3 %.
        self::assertEqualsWithDelta(43_425, $flood->nearPeakPpm(), 1.0);
        self::assertSame('calculator.vapour.flammable', explode(' ', Said::of((new Vapour())->of(['of' => 1.0, 'volume' => 5e6, 'room' => 2.0, 'minutes' => 1.0, 'changes' => 0.0, 'near' => 0.5])->lines[3]))[0]);
        $little = (new Vapour())->of(['of' => 0.0, 'volume' => 1_000.0, 'room' => 60.0, 'minutes' => 10.0, 'changes' => 3.0, 'near' => 5.0]);
        self::assertSame(['calculator.vapour.short_below', 'calculator.vapour.not_flammable'], [explode(' ', Said::of($little->lines[0]))[0], explode(' ', Said::of($little->lines[3]))[0]]);
        self::assertNotSame([], $little->cautions);
    }
}
