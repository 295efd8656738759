<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Warp;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Warp\FreeCurl;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\LiftCalibration;
use Sitzplatz\Warp\PeelDemand;
use Sitzplatz\Warp\Strength;
use Sitzplatz\Warp\Surroundings;

final class WarpTest extends TestCase
{
    public function testWhatHasNoWidthHeightOrStiffnessIsRefused(): void
    {
        $curl = new FreeCurl(100, 60, 0.25, 90e-6, 60);
        $refused = 0;
        foreach ([[0, 15, 2200], [8, 0, 2200], [8, 15, 0], [-1, 15, 2200]] as [$width, $height, $modulus]) {
            try {
                new PeelDemand($curl, $width, $height, $modulus);
            } catch (BadWarp) {
                ++$refused;
            }
        }
        self::assertSame(4, $refused);
        self::assertGreaterThan(0.0, (new PeelDemand($curl, 0.5, 0.5, 0.5))->forceN, 'Small is not nothing.');
    }

    public function testFreeCurlByHand(): void
    {
        // Wang, Xi & Jin 2007 (from memory), by hand: n 60, Δh 0.25 mm, α 68e-6, 30 K: R = 54000 / 0.72216 = 74 776 mm;
        // a bar of 100 mm lifts L²/8R = 0.0167 mm: hundredths, where practice sees 0.2 to 0.9 mm.
        $curl = new FreeCurl(100, 60, 0.25, 68e-6, 30);
        self::assertEqualsWithDelta(74776, $curl->radiusMm, 1);
        self::assertEqualsWithDelta(100 ** 2 / 8 / 74776, $curl->liftMm, 1e-6);
        // A strongly curled strip, where the square law gives 12 % too much: R(1 − cos(L/2R)) itself.
        $strip = new FreeCurl(3, 2, 0.2, 1e-3, 100);
        self::assertEqualsWithDelta(8 * 0.2 / 0.6, $strip->radiusMm, 1e-9);
        self::assertEqualsWithDelta($strip->radiusMm * (1 - cos(3 / 2 / $strip->radiusMm)), $strip->liftMm, 1e-12);
    }

    public function testPlaInARoomAndAbsInAWarmChamberAreDrivenAlike(): void
    {
        // Common practice: softening points 50 and 100, room 20, chamber 70: 30 K each.
        self::assertEqualsWithDelta(50 - Surroundings::celsius(20, 60, false, null), 100 - Surroundings::celsius(20, 105, true, 70), 1e-12);
        self::assertEqualsWithDelta(20, Surroundings::celsius(20, null, true, null), 1e-12);
        self::assertGreaterThan(40, Surroundings::celsius(20, 105, true, null));
        self::assertLessThan(60, Surroundings::celsius(20, 105, true, null));
        // A bed of 150 °C warms a closed box to 20 + 0.35 · 130 = 65.5 °C, whatever its own heater is set to.
        self::assertEqualsWithDelta([65.5, 80], [Surroundings::celsius(20, 150, true, 60), Surroundings::celsius(20, 150, true, 80)], 1e-9);
    }

    public function testALowPartStaysAsWarmAsTheBedAndATallOneCoolsToTheAir(): void
    {
        // A fin with an insulated tip (Incropera & DeWitt, chapter 3, from memory), by hand: 100 × 8 mm: P/A = 2·108/800 per mm
        // = 270 /m, m = √(12·270/0.2) = 127.28 /m, at 15 mm mH 1.909, tanh 0.9570, so 0.5013 of the way from the air.
        self::assertEqualsWithDelta(20 + 0.5013 * 40, Surroundings::inPart(20, 60, 100, 8, 15), 0.01);
        self::assertEqualsWithDelta(60, Surroundings::inPart(20, 60, 100, 100, 0.4), 0.1);
        self::assertEqualsWithDelta(20 + 40 / 127.279 / 0.5, Surroundings::inPart(20, 60, 100, 8, 500), 0.01);
        self::assertEqualsWithDelta(60, Surroundings::inPart(20, 60, 100, 8, 0), 1e-9);
        self::assertEqualsWithDelta(20, Surroundings::inPart(20, null, 100, 8, 15), 0);
    }

    public function testTheTwoLayerStripAgreesWithTimoshenko(): void
    {
        // Timoshenko 1925 (from memory): two equal layers curl with κ = 1.5·Δε ÷ h. Wang's n = 2: 1/R = 6·Δε·1 ÷ (8·Δh),
        // with h = 2Δh that is 1.5·Δε ÷ h: the same.
        $curl = new FreeCurl(50, 2, 0.3, 90e-6, 60);
        self::assertEqualsWithDelta(1.5 * 90e-6 * 60 / 0.6, 1 / $curl->radiusMm, 1e-12);
    }

    public function testThePullAtAnEndBalances(): void
    {
        // Statics of Hetényi's beam: the pull sums to nothing over the whole length, its moment to the moment at the
        // end, and the part that pulls upwards is what is given as force; by Simpson's rule.
        $demand = new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, 60), 8, 15, 2200);
        $p = static fn (float $x): float => 2 * $demand->momentNmm * $demand->beta ** 2 * exp(-$demand->beta * $x) * (cos($demand->beta * $x) - sin($demand->beta * $x));
        $far = 40 / $demand->beta;
        self::assertEqualsWithDelta(0, self::simpson($p, 0, $far), 1e-6 * $demand->forceN);
        self::assertEqualsWithDelta(-$demand->momentNmm, self::simpson(static fn (float $x): float => $p($x) * $x, 0, $far), 1e-4 * $demand->momentNmm);
        self::assertEqualsWithDelta($demand->forceN, self::simpson($p, 0, $demand->stretchMm), 1e-8 * $demand->forceN);
        self::assertEqualsWithDelta(0, $p($demand->stretchMm), 1e-9);
        self::assertEqualsWithDelta($p(0) / 8, $demand->edgeMpa, 1e-12);
        // E·I·κ by hand: 2200 · 8·15³/12 ÷ R.
        self::assertEqualsWithDelta(2200 * 2250 / (new FreeCurl(100, 60, 0.25, 90e-6, 60))->radiusMm, $demand->momentNmm, 1e-9);
    }

    public function testMoreDriveMoreHeightAndLessWidthAskForMore(): void
    {
        $edge = static fn (float $k, int $layers, float $width): float => (new PeelDemand(
            new FreeCurl(100, $layers, 0.25, 90e-6, $k),
            $width,
            $layers * 0.25,
            2200,
        ))->edgeMpa;
        self::assertEqualsWithDelta(2 * $edge(30, 60, 8), $edge(60, 60, 8), 1e-9, 'Twice the drive, twice the pull.');
        $force = static fn (int $layers): float => (new PeelDemand(new FreeCurl(100, $layers, 0.25, 90e-6, 60), 8, $layers * 0.25, 2200))->forceN;
        self::assertGreaterThan($force(20), $force(60));
        self::assertEqualsWithDelta($edge(60, 60, 8), $edge(60, 60, 16), 1e-9, 'Per width it is the same.');
    }

    public function testTheMarginAndItsSpan(): void
    {
        $demand = new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, 80), 8, 15, 2200);
        $bare = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair));
        self::assertEqualsWithDelta(0.7 * 8 * $demand->stretchMm / $demand->forceN, $bare->middle, 1e-12);
        self::assertEqualsWithDelta($bare->middle * 0.25 / 0.7 / 2, $bare->low, 1e-12);
        self::assertEqualsWithDelta($bare->middle * 1.8 / 0.7 * 2, $bare->high, 1e-9);
        $brim = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair), HoldMargin::brimAtEndMm2(5, 8, $demand->stretchMm));
        self::assertGreaterThan(1.5 * $bare->middle, $brim->middle);
        $ear = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair), HoldMargin::earAtEndMm2(6));
        self::assertGreaterThan($bare->middle, $ear->middle);
        self::assertEqualsWithDelta(\M_PI * 18, HoldMargin::earAtEndMm2(6), 1e-9);
        // By hand: 4 × (10 + 2 · 15) and two quarter discs of 4 mm.
        self::assertEqualsWithDelta(160 + 8 * \M_PI, HoldMargin::brimAtEndMm2(4.0, 10.0, 15.0), 1e-9);
        self::assertEqualsWithDelta(
            1000,
            HoldMargin::of(new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, -5), 8, 15, 2200), 8, Strength::ofGrade(Grade::Poor))->middle,
            0,
        );
    }

    public function testWordsFollowTheSpan(): void
    {
        $demand = static fn (float $k): PeelDemand => new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, $k), 8, 15, 2200);
        self::assertSame('margin.stays', Said::of(HoldMargin::of($demand(0.5), 8, Strength::ofGrade(Grade::Strong))->words()));
        self::assertSame('margin.lifts', Said::of(HoldMargin::of($demand(80), 8, Strength::ofGrade(Grade::Never))->words()));
    }

    public function testOwnPullsBeatTheGrade(): void
    {
        // Mean 0.5, standard deviation 0.1 of 0.4, 0.5, 0.6.
        $own = Strength::ofPulls([['pulls' => 3, 'meanMpa' => 0.5, 'sdMpa' => 0.1]]);
        self::assertNotNull($own);
        self::assertNull(Strength::ofPulls([['pulls' => 1, 'meanMpa' => 0.4, 'sdMpa' => 0.0]]));
        self::assertNull(Strength::ofPulls([]));
        // R: predict(lm(c(.4, .5, .6) ~ 1), interval = "prediction") gives 0.00317 to 0.9968275424; below, a tenth of the mean is the least.
        self::assertEqualsWithDelta([0.05, 0.5, 0.9968275424], [$own->lowMpa, $own->middleMpa, $own->highMpa], 1e-9);
        self::assertSame(3, $own->ownPulls);
        self::assertSame(0, Strength::ofGrade(Grade::Strong)->ownPulls);
        // Two groups are as good as one: R, the same of c(.4, .5, .6, .8, 1), gives 0.66 and up to 1.392476526.
        $both = Strength::ofPulls([['pulls' => 3, 'meanMpa' => 0.5, 'sdMpa' => 0.1], ['pulls' => 2, 'meanMpa' => 0.9, 'sdMpa' => sqrt(0.02)]]);
        self::assertEqualsWithDelta([0.066, 0.66, 1.392476526], [$both?->lowMpa, $both?->middleMpa, $both?->highMpa], 1e-8);
    }

    public function testOwnLiftsRecalibrate(): void
    {
        self::assertNull(
            LiftCalibration::of([['readings' => 1, 'lifted' => 1, 'sumMm' => 0.3, 'curlMm' => 0.02, 'margin' => 2.0, 'runs' => 0, 'held' => 0]]),
            'One is too few.',
        );
        $calibration = LiftCalibration::of([['readings' => 4, 'lifted' => 4, 'sumMm' => 1.2, 'curlMm' => 0.02, 'margin' => 2.0, 'runs' => 0, 'held' => 0]]);
        self::assertNotNull($calibration);
        self::assertEqualsWithDelta(15, $calibration->timesTheModel, 1e-9);
        self::assertEqualsWithDelta(2, $calibration->marginWhereItLifts, 1e-9);
        $demand = new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, 80), 8, 15, 2200);
        $plain = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair));
        $own = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair), calibration: $calibration);
        self::assertEqualsWithDelta($plain->middle / 2, $own->middle, 1e-9, 'What lifted at 2 lifts at 1 from now on.');
        self::assertLessThan($plain->high / $plain->middle, $own->high / $own->middle);
        $held = LiftCalibration::of([['readings' => 4, 'lifted' => 0, 'sumMm' => 0.08, 'curlMm' => 0.02, 'margin' => 2.0, 'runs' => 0, 'held' => 0]]);
        self::assertNull($held?->marginWhereItLifts, 'What stays down sets no scale.');
        // Two pieces that lifted at 2 and at 8: the geometric mean is 4.
        $two = LiftCalibration::of([
            ['readings' => 3, 'lifted' => 3, 'sumMm' => 0.6, 'curlMm' => 0.02, 'margin' => 2.0, 'runs' => 0, 'held' => 0],
            ['readings' => 3, 'lifted' => 3, 'sumMm' => 0.6, 'curlMm' => 0.02, 'margin' => 8.0, 'runs' => 0, 'held' => 0],
        ]);
        self::assertEqualsWithDelta(4, $two?->marginWhereItLifts, 1e-9);
    }

    public function testWhatHeldSaysThatThePullIsNoMore(): void
    {
        $group = static fn (float $margin, int $runs, int $held, int $lifted = 0): array => [
            'readings' => $lifted,
            'lifted' => $lifted,
            'sumMm' => 0.4 * $lifted,
            'curlMm' => 0.02,
            'margin' => $margin,
            'runs' => $runs,
            'held' => $held,
        ];
        $held = LiftCalibration::of([$group(0.4, 12, 12), $group(0.7, 6, 6)]);
        self::assertNotNull($held);
        self::assertEqualsWithDelta(0.4, $held->scale(), 1e-12);
        self::assertSame(12, $held->heldRuns);
        self::assertNull($held->timesTheModel, 'Without lift readings no lift is promised.');
        self::assertNull(LiftCalibration::of([$group(1.6, 12, 12)]), 'That it held where the sum says so is no news.');
        self::assertNull(LiftCalibration::of([$group(0.4, 12, 11)]), 'One that failed speaks against it.');
        self::assertNull(LiftCalibration::of([$group(0.4, 2, 2)]), 'Two are too few.');
        self::assertEqualsWithDelta(2.0, LiftCalibration::of([$group(2.0, 3, 3, 3), $group(0.4, 12, 12)])?->scale(), 1e-9, 'Lifts come first.');
        $demand = new PeelDemand(new FreeCurl(100, 60, 0.25, 90e-6, 80), 8, 15, 2200);
        $plain = HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair));
        self::assertEqualsWithDelta($plain->middle / 0.4, HoldMargin::of($demand, 8, Strength::ofGrade(Grade::Fair), calibration: $held)->middle, 1e-9);
    }

    public function testFiguresThatCannotBeAreRefused(): void
    {
        $refused = 0;
        foreach ([
            static fn () => new FreeCurl(100, 1, 0.2, 68e-6, 30),
            static fn () => new FreeCurl(0, 10, 0.2, 68e-6, 30),
            static fn () => new FreeCurl(100, 10, 0, 68e-6, 30),
            static fn () => new FreeCurl(100, 10, 0.2, 0, 30),
            static fn () => new PeelDemand(new FreeCurl(100, 10, 0.2, 68e-6, 30), 0, 2, 3000),
            static fn () => new PeelDemand(new FreeCurl(100, 10, 0.2, 68e-6, 30), 8, 2, 0),
        ] as $make) {
            try {
                $make();
            } catch (BadWarp) {
                ++$refused;
            }
        }
        self::assertSame(6, $refused);
    }

    public function testTheLeastCoolingBendsAlready(): void
    {
        // By hand, Timoshenko's two strips as above: the radius goes with one over the difference.
        $curl = new FreeCurl(100, 60, 0.25, 68e-6, 30);
        self::assertEqualsWithDelta(60 * $curl->radiusMm, (new FreeCurl(100, 60, 0.25, 68e-6, 0.5))->radiusMm, 1e-6);
        self::assertInfinite((new FreeCurl(100, 60, 0.25, 68e-6, 0.0))->radiusMm);
    }

    /** @param \Closure(float): float $f */
    private static function simpson(\Closure $f, float $from, float $to): float
    {
        $n = 40000;
        $h = ($to - $from) / $n;
        $sum = $f($from) + $f($to);
        for ($i = 1; $i < $n; ++$i) {
            $sum += (1 === $i % 2 ? 4 : 2) * $f($from + $i * $h);
        }

        return $sum * $h / 3;
    }
}
