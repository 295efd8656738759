<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\Input;
use Sitzplatz\Choose\Detail\Reckoning;
use Sitzplatz\Choose\Detail\ReleasePlan;
use Sitzplatz\Choose\Expectation\OwnPiece;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\WarpSum;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\HeatPlan;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Tests\Core\Words\Said;

/** The numbers of a candidate, opened down to formula, inputs and basis. */
final class CandidateSumsTest extends TestCase
{
    use BuildsJobs;

    public function testAChamberIsWaitedForAndItsHeaterCounted(): void
    {
        $plan = static function (array $change): HeatPlan {
            $ranking = self::rank(self::job('abs', ['printer' => self::printer(['maxBedC' => 120.0, ...$change]), 'minutes' => 60.0]), [self::side('pei_smooth')]);

            return $ranking->heat->of($ranking->candidates[0]->proposal) ?? self::fail('Its layers are known.');
        };
        $untimed = $plan(['chamberC' => 60.0]);
        $timed = $plan(['chamberC' => 60.0, 'chamberMinutes' => 45.0, 'chamberW' => 200.0]);
        // By hand: the bed is warm long before; the heater of the chamber runs for 45 and 60 minutes.
        self::assertLessThan(20, $untimed->warmSeconds() / 60);
        self::assertEqualsWithDelta(45 - $untimed->warmSeconds() / 60, $timed->turnaroundMinutes() - $untimed->turnaroundMinutes(), 1e-9);
        self::assertEqualsWithDelta(200 * 105 / 60, $timed->energyWh(60) - $untimed->energyWh(60), 1e-9);
        self::assertEqualsWithDelta(200 * 45 / 60, $timed->energyWh(null) - $untimed->energyWh(null), 1e-9);
        // A chamber that is over before the bed is, is not waited for.
        self::assertEqualsWithDelta($untimed->turnaroundMinutes(), $plan(['chamberC' => 60.0, 'chamberMinutes' => 0.5])->turnaroundMinutes(), 1e-9);
        self::assertEqualsWithDelta($plan([])->energyWh(60), $plan(['chamberMinutes' => 45.0, 'chamberW' => 200.0])->energyWh(60), 1e-9, 'Without a set-point there is no chamber.');
    }

    public function testEveryNumberCanBeOpened(): void
    {
        $ranking = self::rank(self::job('pla', ['part' => self::thinBar(), 'partCount' => 3]), [self::side('glass', costPerPrint: 0.02)], ['pva_stick']);
        $sums = self::sums($ranking);
        self::assertSame(
            ['chance', 'hold', 'release', 'set_point', 'times', 'heater', 'warp', 'cost'],
            array_map(static fn (Reckoning $r): string => $r->id, $sums->reckonings()),
        );
        foreach ($sums->reckonings() as $reckoning) {
            self::assertNotSame('', Said::of($reckoning->result));
            self::assertNotSame([], $reckoning->inputs, $reckoning->id);
            foreach ($reckoning->inputs as $input) {
                self::assertNotSame('', Said::of($input->basis), $reckoning->id.': '.Said::of($input->name).' has to say where it is from.');
            }
        }
    }

    public function testTheChanceOfThreeByHand(): void
    {
        $ranking = self::rank(self::job('pla', ['partCount' => 3]), [self::side('glass')], ['pva_stick']);
        $chance = self::sums($ranking)->reckonings()[0];
        // Log-odds ln(19) − 0.4·ln(3); nobody has seen any of it: variance 1.7325, the agent's 0.09 and (0.25·ln(3))²; MacKay's mean. Both alike.
        $variance = 1.7325 + 0.09 + (0.25 * log(3)) ** 2;
        $share = 1 / (1 + exp(-(log(19) - 0.4 * log(3)) / sqrt(1 + \M_PI * $variance / 8)));
        self::assertEqualsWithDelta([$share, $share], array_map(static fn (Input $i): float => (float) Said::of($i->value), $chance->inputs), 5e-5);
        self::assertEqualsWithDelta($share ** 2, (float) substr(Said::of($chance->result), \strlen('sum.figure figure=')), 5e-5);
    }

    public function testTheSetPointNamesItsLayersAndWhatWasMeasured(): void
    {
        $modelled = self::reckoning(self::rank(self::job('pla'), [self::side('pei_textured')]), 'set_point');
        self::assertStringContainsString('sum.set_point.modelled', Said::of($modelled->result));
        self::assertStringContainsString('layer=aluminium', Said::of($modelled->inputs[0]->name));
        $measured = self::reckoning(
            self::rank(self::job('pla'), [self::side('pei_textured', measured: new MeasuredSurface(60, 52, 20, '2026-11-03'))]),
            'set_point',
        );
        self::assertStringContainsString('sum.set_point.as_measured', Said::of($measured->result));
        self::assertStringContainsString('sum.set_point.formula_fitted', Said::of($measured->formula));
        self::assertStringContainsString(
            'sum.set_point.measured_at surface=52 display=60 day=2026-11-03',
            implode(' ', array_map(static fn (Input $i): string => Said::of($i->value), $measured->inputs)),
        );
        $unknown = self::reckoning(self::rank(self::job('pla', ['printer' => self::printer(['bed' => []])]), [self::side('pei_textured')]), 'set_point');
        self::assertStringContainsString('sum.set_point.source_unknown', Said::of($unknown->source));
        self::assertSame('sum.figure figure=55', Said::of($unknown->result));
    }

    public function testTheHeaterIsCheckedWithTheSetPoint(): void
    {
        // By hand: 300 W on 25 × 21 cm is 0.571 W/cm²; practice wants 0.2 + (display − 60)·0.4/60 there; 300 W at 24 V is 12.5 A, more than 10 A.
        $printer = self::printer(['heaterV' => 24.0, 'limitA' => 10.0]);
        $heater = self::sums(self::rank(self::job('abs', ['printer' => $printer]), [self::side('pei_textured')]))->heater;
        self::assertNotNull($heater);
        self::assertEqualsWithDelta(300 / 525, $heater->wattsPerCm2, 1e-12);
        self::assertEqualsWithDelta(12.5, $heater->currentA, 1e-12);
        self::assertFalse($heater->currentAllowed);
        self::assertTrue($heater->enough);
        self::assertSame('heater.overload current=12.5', Said::of($heater->overload()));
        $opened = self::reckoning(self::rank(self::job('abs', ['printer' => $printer]), [self::side('pei_textured')]), 'heater');
        self::assertStringStartsWith('sum.heater.enough has=0.57', Said::of($opened->result));
        self::assertStringContainsString('sum.heater.current_limited current=12.5 voltage=24 limit=10', Said::of($opened->inputs[2]->value));
        self::assertNull(self::sums(self::rank(self::job('abs', ['printer' => self::printer(['heaterW' => null])]), [self::side('pei_textured')]))->heater);
    }

    public function testPlatesBuiltAlikeShareAHeatPlan(): void
    {
        $ranking = self::rank(self::job('pla'), [self::side('pei_textured', 'P1'), self::side('pei_textured', 'P2'), self::side('thick_composite', 'P3')]);
        $plan = static fn (string $id) => $ranking->heat->of(array_values(array_filter(
            $ranking->candidates,
            static fn (Candidate $c): bool => $c->proposal->side->id === $id,
        ))[0]->proposal);
        self::assertSame($plan('P1'), $plan('P2'));
        self::assertNotSame($plan('P1'), $plan('P3'));
        self::assertGreaterThan($plan('P1')?->energyWh(60), $plan('P1')?->energyWh(120));
        // An hour of holding is the holding power in Wh.
        self::assertEqualsWithDelta($plan('P1')?->heatUp->holdingW, ($plan('P1')?->energyWh(120) ?? 0) - ($plan('P1')?->energyWh(60) ?? 0), 1e-9);
    }

    public function testOnlySteelGoesIntoAFreezer(): void
    {
        $steel = self::release(self::rank(self::job('pla'), [self::side('pei_textured')]));
        self::assertContains('freezer', array_column($steel->waits, 'way'));
        self::assertStringContainsString('off.freezer minutes=600', implode(' ', Said::all($steel->steps)));
        self::assertContains('off.no_spatula', Said::all($steel->never));
        $glass = self::release(self::rank(self::job('pla'), [self::side('glass')], ['pva_stick']));
        self::assertNotContains('freezer', array_column($glass->waits, 'way'));
        self::assertContains('off.no_freezer', Said::all($glass->never));
        self::assertStringContainsString('off.tap', implode(' ', Said::all($glass->steps)));
        self::assertNotSame('', $glass->doneHot);
    }

    public function testWaitUntilWhenAndWithWhichHelp(): void
    {
        $plan = self::release(self::rank(self::job('abs', ['roomC' => 22.0]), [self::side('pei_textured')]));
        self::assertNotNull($plan->belowC);
        $minutes = array_column($plan->waits, 'minutes', 'way');
        self::assertGreaterThan($minutes['fan'], $minutes['still_air']);
        self::assertGreaterThan($minutes['off_printer'], $minutes['still_air']);
        self::assertEqualsWithDelta(5, $minutes['freezer'], 4, 'Until the part is cold through.');
        self::assertContains('off.never_hot', Said::all($plan->never));
        self::assertStringContainsString('off.wait below='.$plan->belowC, Said::of($plan->steps[0]));
    }

    public function testInARoomWarmerThanTheReleaseItNeverCoolsThere(): void
    {
        $plan = self::release(self::rank(self::job('pla', ['roomC' => 36.0]), [self::side('pei_textured')]));
        $minutes = array_column($plan->waits, 'minutes', 'way');
        self::assertNull($minutes['still_air']);
        self::assertNotNull($minutes['freezer']);
    }

    public function testAnUnheatedBedHasNothingToWaitFor(): void
    {
        $plan = self::release(self::rank(self::job('pla', ['printer' => self::printer(['maxBedC' => null]), 'roomC' => 18.0]), [self::side('painters_tape')]));
        self::assertNull($plan->belowC);
        self::assertSame([], $plan->waits);
        self::assertNull($plan->doneHot);
        self::assertStringNotContainsString('off.wait', implode(' ', Said::all($plan->steps)));
    }

    public function testAbsWarpsMoreThanPlaAndABoxHelps(): void
    {
        $driving = static fn (string $material, array $printer): float => self::warp(
            self::job($material, ['part' => self::thinBar(), 'printer' => self::printer($printer)]),
            self::side('pei_textured'),
        )->drivingK;
        self::assertGreaterThan($driving('pla', ['enclosed' => false]), $driving('abs', ['enclosed' => false]));
        self::assertGreaterThan($driving('abs', ['enclosed' => true]), $driving('abs', ['enclosed' => false]));
        self::assertGreaterThan($driving('abs', ['chamberC' => 70.0]), $driving('abs', ['enclosed' => true]));
        // Practice: about 30 K for ABS in a chamber of 70, with its middle of 98 to 108; the bed takes some of it away.
        self::assertLessThan(103 - 70, $driving('abs', ['chamberC' => 70.0]));
        self::assertGreaterThan(0, $driving('abs', ['chamberC' => 70.0]));
    }

    public function testALowTileOfPlaStaysDownAndATallBarOfAbsInTheOpenIsInDoubt(): void
    {
        // Common practice: nobody worries about the one, everybody about the other (trade notes, sections 2, 8 and 11).
        $tile = self::warp(
            self::job('pla', ['part' => new PartFacts(1600, 160, 56.6, 40, 2.6, 4), 'printer' => self::printer(['enclosed' => false])]),
            self::side('pei_textured'),
        );
        self::assertGreaterThan(3, $tile->margin->middle);
        self::assertLessThan(10, $tile->drivingK, 'A low part stays as warm as the bed.');
        $bar = self::warp(
            self::job('abs', ['part' => self::thinBar(), 'printer' => self::printer(['enclosed' => false]), 'foothold' => Foothold::none()]),
            self::side('pei_textured'),
        );
        self::assertLessThan(1, $bar->margin->low);
        self::assertLessThan($tile->margin->middle / 2, $bar->margin->middle);
        // Nylon warps even in a heated chamber: it crystallises far above its glass transition, and a warm bed does not help that.
        $nylon = self::warp(
            self::job('pa', ['part' => self::thinBar(), 'printer' => self::printer(['chamberC' => 60.0]), 'foothold' => Foothold::none()]),
            self::side('epoxy_glass'),
        );
        self::assertGreaterThan(80, $nylon->drivingK);
        self::assertLessThan($bar->margin->middle, $nylon->margin->middle);
        self::assertSame('sum.warp.crystallises', Said::of($nylon->reckoning()->inputs[0]->name));
    }

    public function testABrimRaisesTheMarginAndTheSumSaysItIsRough(): void
    {
        $side = self::side('pei_textured');
        $bare = self::warp(self::job('abs', ['part' => self::thinBar(), 'foothold' => Foothold::none()]), $side);
        $brim = self::warp(self::job('abs', ['part' => self::thinBar(), 'foothold' => new Foothold(FootholdKind::Brim, 5)]), $side);
        self::assertGreaterThan($bare->margin->middle, $brim->margin->middle);
        self::assertStringContainsString('warp.said', Said::of($bare->sentence()));
        self::assertStringContainsString('rests=warp.rests_on_grade', Said::of($bare->sentence()));
        self::assertNull($bare->expectedLiftMm(), 'Without own lifts nothing is promised in millimetres.');
        self::assertStringContainsString('sum.warp.source', Said::of($bare->reckoning()->source));
    }

    public function testOwnPullsAndLiftsTakeOver(): void
    {
        $own = new OwnStrength([
            new OwnPiece(new TestPiece('Pull block', 20, 6, 8), 20, 60, false, pulls: 5, meanPullN: 30, sdPullN: 2.5),
            new OwnPiece(new TestPiece('Warp bar', 100, 8, 15), 20, 55, false, liftReadings: 6, lifted: 6, liftSumMm: 3.0),
        ]);
        $job = self::job('pla', ['part' => self::thinBar(), 'printer' => self::printer(['enclosed' => false])]);
        $plain = self::warp($job, self::side('pei_textured'));
        $warp = self::warp($job, self::side('pei_textured'), $own);
        self::assertSame(5, $warp->strength->ownPulls);
        // At the edge of the pull block 6·30·8 ÷ (6·20²) = 0.6 MPa, more than 30 ÷ 120 over its foot.
        self::assertEqualsWithDelta(0.6, $warp->strength->middleMpa, 1e-12);
        self::assertStringContainsString('warp.rests_on_pulls pulls=5', Said::of($warp->sentence()));
        self::assertStringContainsString(
            'sum.warp.lifts',
            implode(' ', array_map(static fn (Input $i): string => Said::of($i->name), $warp->reckoning()->inputs)),
        );
        // The piece of the readings in finer layers: mean 0.5 mm over its free curl, on the part's own curl.
        self::assertEqualsWithDelta(0.5 * $plain->curl->liftMm / ($plain->curl->liftMm * self::ratioOfLayers()), $warp->expectedLiftMm(), 1e-6);
    }

    public function testRunsThatHeldTakeThePullDown(): void
    {
        $job = self::job('pla', ['part' => self::thinBar(), 'printer' => self::printer(['enclosed' => false]), 'foothold' => Foothold::none()]);
        $weak = new OwnPiece(new TestPiece('Warp bar', 100, 8, 15), 20, 55, false, 12, 12, 3, 4.0, 0.5);
        $warp = self::warp($job, self::side('pei_textured'), new OwnStrength([$weak]));
        self::assertSame(12, $warp->calibration?->heldRuns);
        self::assertStringContainsString('runs=12', Said::of($warp->sentence()));
        self::assertEqualsWithDelta(1, $warp->margin->middle, 0.35, 'The bar is the test piece itself, in coarser layers.');
        $lost = new OwnPiece(new TestPiece('Warp bar', 100, 8, 15), 20, 55, false, 12, 9, 3, 4.0, 0.5);
        self::assertLessThan($warp->margin->middle, self::warp($job, self::side('pei_textured'), new OwnStrength([$lost]))->margin->middle);
    }

    public function testAFlatPartHasNoWarpSum(): void
    {
        $flat = new PartFacts(100, 40, 10, 10, 0.2);
        $candidate = self::rank(self::job('pla', ['part' => $flat]), [self::side('pei_textured')])->candidates[0];
        self::assertNull(WarpSum::of($candidate, null));
        $layers = static fn (float $height): ?WarpSum => WarpSum::of(
            self::rank(self::job('pla', ['part' => new PartFacts(100, 40, 10, 10, $height)]), [self::side('pei_textured')])->candidates[0],
            null,
        );
        self::assertNull($layers(0.39));
        self::assertNotNull($layers(0.4), 'From two layers on one pulls at the other.');
        self::assertNull(
            WarpSum::of(self::rank(self::job('pla'), [self::side('pei_textured')])->candidates[0], null),
            'Without a part there is nothing to reckon.',
        );
    }

    /** Free curl with layers of 0.25 mm over that with 0.2 mm, same height: n³Δh/(n − 1) inverted. */
    private static function ratioOfLayers(): float
    {
        $stiffness = static fn (int $n, float $layer): float => $n ** 3 * $layer / ($n - 1);

        return $stiffness(75, 0.2) / $stiffness(60, 0.25);
    }

    private static function warp(\Sitzplatz\Choose\Request\JobRequest $job, SideFacts $side, ?OwnStrength $own = null): WarpSum
    {
        $warp = WarpSum::of(self::rank($job, [$side])->candidates[0], $own);
        self::assertNotNull($warp);

        return $warp;
    }

    private static function sums(Ranking $ranking): CandidateSums
    {
        return CandidateSums::of($ranking->candidates[0], $ranking->heat, null);
    }

    private static function release(Ranking $ranking): ReleasePlan
    {
        return self::sums($ranking)->release;
    }

    private static function reckoning(Ranking $ranking, string $id): Reckoning
    {
        foreach (self::sums($ranking)->reckonings() as $reckoning) {
            if ($reckoning->id === $id) {
                return $reckoning;
            }
        }
        self::fail("There is no $id.");
    }
}
