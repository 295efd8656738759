<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Warp;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Heat\Surroundings;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Warp\EdgeStress;
use Sitzplatz\Warp\FreeCurl;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\LiftCalibration;
use Sitzplatz\Warp\Strength;

final class WarpTest extends TestCase
{
    /** @param array<string, mixed> $change */
    private static function stress(array $change = []): EdgeStress
    {
        return new EdgeStress(...$change + ['strain' => 90e-6 * 50, 'spanMm' => 100.0, 'widthMm' => 8.0, 'heightMm' => 15.0, 'modulusMpa' => 2200.0]);
    }

    public function testWhatHasNoLengthWidthHeightOrStiffnessIsRefused(): void
    {
        $refused = 0;
        foreach ([['spanMm' => 0], ['widthMm' => 0], ['heightMm' => 0], ['modulusMpa' => 0], ['widthMm' => -1], ['touches' => 0]] as $change) {
            try {
                self::stress($change);
            } catch (BadWarp) {
                ++$refused;
            }
        }
        self::assertSame(6, $refused);
        self::assertGreaterThan(0.0, self::stress(['widthMm' => 0.5, 'heightMm' => 0.5, 'modulusMpa' => 0.5])->mpa, 'Small is not nothing.');
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
        // A fin that loses heat at its tip (Incropera & DeWitt, chapter 3, case A, from memory), by hand: 100 × 8 mm: P/A = 270 /m,
        // m = √(12·270/0.2) = 127.28 /m, at 15 mm mH 1.909, tanh 0.9570, sech 0.2901, r = 12/(127.28·0.2) = 0.4714: the mean is
        // (0.9570 + 0.4714·0.7099)/(1.909·(1 + 0.4714·0.9570)) = 0.4662 of the way from the air.
        self::assertEqualsWithDelta(20 + 0.4662 * 40, Surroundings::inPart(20, 60, 100, 8, 15), 0.02);
        self::assertEqualsWithDelta(60, Surroundings::inPart(20, 60, 100, 100, 0.1), 0.2);
        // A broad plate is a wall that loses heat above: Bi = 12·0.006/0.2 = 0.36, in the middle (1 + Bi/2)/(1 + Bi) of the way.
        self::assertEqualsWithDelta(20 + 40 * 1.18 / 1.36, Surroundings::inPart(20, 60, 1e5, 1e5, 6), 0.02);
        self::assertEqualsWithDelta(20 + 40 / 127.279 / 0.5, Surroundings::inPart(20, 60, 100, 8, 500), 0.02);
        self::assertEqualsWithDelta(20 + 40 / 127.279 / 50, Surroundings::inPart(20, 60, 100, 8, 50000), 1e-3);
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

    public function testTheEdgeStressByHand(): void
    {
        // Shear lag (Volkersen 1938, from memory), by hand: of 15 mm height 15·100/130 = 11.538 count; λ = √(2200·11.538·0.6) = 123.41 mm;
        // σ = 0.0045·√(2200·11.538/0.6)·tanh(100/246.82) = 0.0045·205.68·0.38432 = 0.35571 MPa.
        $stress = self::stress();
        self::assertEqualsWithDelta([11.5385, 123.41, 0.35571], [$stress->heightMm, $stress->reachMm, $stress->mpa], 1e-2);
        self::assertEqualsWithDelta(0.35571, $stress->mpa, 1e-4);
        self::assertEqualsWithDelta(0.35571 * sqrt(2), self::stress(['square' => true])->mpa, 1e-4);
        // After half an hour 1 − 1/e of it.
        self::assertEqualsWithDelta(0.35571 * (1 - exp(-1)), self::stress(['minutes' => 30.0])->mpa, 1e-4);
        // A brim of 4 mm: its end is 23.08 mm long: 4·(8 + 46.15) + π/2·16 = 241.7 beside 184.6 mm².
        self::assertEqualsWithDelta(1 + 241.75 / 184.615, self::stress(['brimMm' => 4.0])->footing, 1e-3);
        self::assertEqualsWithDelta(1 + \M_PI / 2 * 36 / 184.615, self::stress(['earMm' => 6.0])->footing, 1e-3);
        self::assertEqualsWithDelta(0.35571 / sqrt(1 + 241.75 / 184.615), self::stress(['brimMm' => 4.0])->mpa, 1e-4);
        self::assertEqualsWithDelta(0.35571 * sqrt(2), self::stress(['touches' => 0.5])->mpa, 1e-4);
    }

    public function testOfALongPartTheEnergyIsThatOfALayerOnAStiffGround(): void
    {
        // Hutchinson & Suo 1992 (from memory): ½·E·h·ε² for each area; σ²·c ÷ 2 of a bond that gives c.
        $long = self::stress(['spanMm' => 1e5, 'heightMm' => 2.0]);
        self::assertEqualsWithDelta(0.5 * 2200 * 2.0 * (90e-6 * 50) ** 2, $long->mpa ** 2 * EdgeStress::GIVES_MM_MPA / 2, 1e-5);
    }

    public function testItRisesAndFallsWithWhatPracticeSees(): void
    {
        // Drawn parts: each of these alone raises what pulls, or lowers it.
        mt_srand(36);
        for ($i = 0; $i < 400; ++$i) {
            $part = [
                'strain' => mt_rand(1, 200) / 1e4, 'spanMm' => (float) mt_rand(5, 400), 'widthMm' => (float) mt_rand(2, 100), 'heightMm' => (float) mt_rand(1, 200),
                'modulusMpa' => (float) mt_rand(50, 5000), 'touches' => mt_rand(2, 10) / 10, 'brimMm' => (float) mt_rand(0, 8), 'minutes' => (float) mt_rand(5, 600),
            ];
            $stress = self::stress($part)->mpa;
            foreach (['spanMm', 'heightMm', 'strain', 'minutes'] as $more) {
                self::assertGreaterThan($stress, self::stress([$more => 1.2 * $part[$more]] + $part)->mpa, $more);
            }
            foreach (['touches', 'brimMm'] as $less) {
                self::assertLessThan($stress, self::stress([$less => 1.2 * $part[$less] + 0.1] + $part)->mpa, $less);
            }
            self::assertGreaterThan($stress, self::stress(['square' => true] + $part)->mpa);
            // Steeply at first, then levelling.
            $step = static fn (float $from): float => self::stress(['spanMm' => 1.5 * $from] + $part)->mpa - self::stress(['spanMm' => $from] + $part)->mpa;
            $reach = self::stress(['spanMm' => 1e4] + $part)->reachMm;
            self::assertLessThan($step($reach), $step(6 * $reach));
        }
    }

    public function testTheMarginAndItsSpan(): void
    {
        $stress = self::stress();
        $bare = HoldMargin::of($stress, Strength::ofGrade(Grade::Fair));
        self::assertEqualsWithDelta(0.4 * 0.7 / $stress->mpa, $bare->middle, 1e-12);
        self::assertEqualsWithDelta($bare->middle * 0.25 / 0.7 / 2, $bare->low, 1e-12);
        self::assertEqualsWithDelta($bare->middle * 1.8 / 0.7 * 2, $bare->high, 1e-9);
        self::assertEqualsWithDelta(1.5 * $bare->middle, HoldMargin::of($stress, Strength::ofGrade(Grade::Fair), 1.5)->middle, 1e-12);
        self::assertEqualsWithDelta([0.4 * 0.7, $stress->mpa], [$bare->bearsMpa, $bare->pullsMpa], 1e-12);
        self::assertEqualsWithDelta(1000, HoldMargin::of(self::stress(['strain' => -1e-4]), Strength::ofGrade(Grade::Poor))->middle, 0);
    }

    public function testWordsFollowTheChance(): void
    {
        // The share that lifts is 1 ÷ (1 + m²): a twentieth at 4.36, half at 1.
        $at = static fn (float $margin): HoldMargin => HoldMargin::of(self::stress(), Strength::ofGrade(Grade::Fair), $margin * self::stress()->mpa / 0.28);
        self::assertEqualsWithDelta([0.05, 0.5, 0.9], [$at(sqrt(19))->lifts(), $at(1)->lifts(), $at(1 / 3)->lifts()], 1e-9);
        $said = static fn (float $lifts): string => Said::of($at(sqrt(1 / $lifts - 1))->words());
        self::assertSame(['margin.stays', 'margin.should_stay'], [$said(0.069), $said(0.071)]);
        self::assertSame(['margin.should_stay', 'margin.may_lift'], [$said(0.199), $said(0.201)]);
        self::assertSame(['margin.may_lift', 'margin.likely_lifts'], [$said(0.499), $said(0.501)]);
        self::assertSame(['margin.likely_lifts', 'margin.lifts'], [$said(0.849), $said(0.851)]);
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
        $plain = HoldMargin::of(self::stress(), Strength::ofGrade(Grade::Fair));
        $own = HoldMargin::of(self::stress(), Strength::ofGrade(Grade::Fair), calibration: $calibration);
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
        $plain = HoldMargin::of(self::stress(), Strength::ofGrade(Grade::Fair));
        self::assertEqualsWithDelta($plain->middle / 0.4, HoldMargin::of(self::stress(), Strength::ofGrade(Grade::Fair), calibration: $held)->middle, 1e-9);
    }

    public function testFiguresThatCannotBeAreRefused(): void
    {
        $refused = 0;
        foreach ([
            static fn () => new FreeCurl(100, 1, 0.2, 68e-6, 30),
            static fn () => new FreeCurl(0, 10, 0.2, 68e-6, 30),
            static fn () => new FreeCurl(100, 10, 0, 68e-6, 30),
            static fn () => new FreeCurl(100, 10, 0.2, 0, 30),
        ] as $make) {
            try {
                $make();
            } catch (BadWarp) {
                ++$refused;
            }
        }
        self::assertSame(4, $refused);
    }

    public function testTheLeastCoolingBendsAlready(): void
    {
        // By hand, Timoshenko's two strips as above: the radius goes with one over the difference.
        $curl = new FreeCurl(100, 60, 0.25, 68e-6, 30);
        self::assertEqualsWithDelta(60 * $curl->radiusMm, (new FreeCurl(100, 60, 0.25, 68e-6, 0.5))->radiusMm, 1e-6);
        self::assertInfinite((new FreeCurl(100, 60, 0.25, 68e-6, 0.0))->radiusMm);
    }
}
