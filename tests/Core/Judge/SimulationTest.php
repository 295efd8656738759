<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\SimulatedCell;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\Sureness;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Tests\Core\Words\Said;

/** That a verdict keeps its word, by simulation of the rule itself, and that a plan says what it can show, against R 4.2.2. */
final class SimulationTest extends TestCase
{
    private const REPLICATES = 1500;
    /** Of a share of 5 % in so many replicates, three standard errors. */
    private const NOISE = 0.017;

    /** @return iterable<string, array{Criterion, int, ?Scatter, bool, Design}> all claimed */
    public static function claimed(): iterable
    {
        foreach ([[false, Design::Fixed], [true, Design::Fixed], [true, Design::Adaptive]] as [$looks, $design]) {
            foreach ([3, 9] as $runs) {
                yield "counts $runs $design->value ".(int) $looks => [Criterion::Counts, $runs, null, $looks, $design];
                foreach ([Criterion::Mean, Criterion::NearlyAll] as $criterion) {
                    foreach ([Scatter::Normal, Scatter::Coarse] as $scatter) {
                        yield "$criterion->value $runs $scatter->value $design->value ".(int) $looks => [$criterion, $runs, $scatter, $looks, $design];
                    }
                }
            }
        }
        yield 'weak links at one look of 24 pulls' => [Criterion::Mean, 24, Scatter::WeakLink, false, Design::Fixed];
        yield 'skewed pulls, nearly all' => [Criterion::NearlyAll, 5, Scatter::Skewed, false, Design::Fixed];
    }

    #[DataProvider('claimed')]
    public function testWhatIsClaimedIsWrongInOneCaseOfTwentyAtMost(Criterion $criterion, int $runs, ?Scatter $scatter, bool $looks, Design $design): void
    {
        $cell = new SimulatedCell($criterion, $runs, 0.0, $scatter, $looks, $design);
        self::assertTrue($cell->claimed());
        $result = $cell->simulate(self::REPLICATES, 77);
        self::assertLessThan(0.05 + self::NOISE, $result['false_holds']);
        self::assertLessThan(0.05 + self::NOISE, $result['false_does_not_hold']);
        self::assertEqualsWithDelta(1.0, $result['false_holds'] + $result['false_does_not_hold'] + $result['not_yet'], 1e-9);
        self::assertLessThanOrEqual($cell->mostRuns(), $result['mean_runs']);
    }

    public function testWhatCannotBeKeptIsNotClaimed(): void
    {
        $weak = new SimulatedCell(Criterion::Mean, 5, 0.0, Scatter::WeakLink, false, Design::Fixed);
        self::assertFalse($weak->claimed());
        self::assertGreaterThan(0.1, $weak->simulate(self::REPLICATES, 3)['false_holds'], 'Five pulls seldom meet the weak one in seven.');
        self::assertFalse((new SimulatedCell(Criterion::Mean, 24, 0.0, Scatter::Skewed, true, Design::Adaptive))->claimed());
    }

    public function testAnAdaptivePlanSavesRunsAndKeepsThePower(): void
    {
        foreach ([8, 16] as $runs) {
            $distance = SimulatedCell::distanceForPower(Criterion::Mean, $runs);
            $at = (new SimulatedCell(Criterion::Mean, $runs, $distance, Scatter::Normal, true, Design::Adaptive))->simulate(self::REPLICATES, 5);
            self::assertGreaterThan(0.88 - 0.025, $at['holds']);
            self::assertLessThan(0.85, $at['mean_runs'] / $runs);
            $beyond = (new SimulatedCell(Criterion::Mean, $runs, 2 * $distance, Scatter::Normal, true, Design::Adaptive))->simulate(self::REPLICATES, 6);
            self::assertLessThan(0.65, $beyond['mean_runs'] / $runs);
            self::assertLessThanOrEqual(1.35 * $runs, (new SimulatedCell(Criterion::Mean, $runs, 0.0, Scatter::Normal, true, Design::Adaptive))->mostRuns());
        }
        // R: uniroot(function(d) pt(qt(.95, 7), 7, ncp = d*sqrt(8), lower.tail = FALSE) - .9, c(0, 5))
        self::assertEqualsWithDelta(1.1534019, SimulatedCell::distanceForPower(Criterion::Mean, 8), 1e-5);
    }

    public function testTheVerdictReadOnceIsTheOneReadAfterEachRun(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(4));
        foreach ([Criterion::Mean, Criterion::NearlyAll, Criterion::Counts] as $criterion) {
            $plan = new ProofPlan(new Limits(20, null, Effort::Flex), $criterion, 0.8, 0, Design::Adaptive, 10, 10, 0);
            for ($i = 0; $i < 60; ++$i) {
                $runs = [];
                $first = Answer::NotYet;
                for ($k = 0; $k < 13; ++$k) {
                    $runs[] = [new Reading(Measure::Held, Scatter::share($random) < 0.97 ? 1 : 0), new Reading(Measure::PullHot, 21.5 + 2 * Scatter::normal($random))];
                    if (Answer::NotYet === $first) {
                        $first = SetupJudgement::of(new SetupRecord('A', $runs), $plan)->hold->answer;
                    }
                }
                $once = SetupJudgement::of(new SetupRecord('A', $runs), $plan)->hold;
                self::assertSame($first, $once->answer);
            }
        }
    }

    public function testTheSameSeedGivesTheSameTable(): void
    {
        $cell = new SimulatedCell(Criterion::Mean, 5, 0.0, Scatter::Normal, false, Design::Fixed);
        self::assertSame($cell->simulate(200, 1), $cell->simulate(200, 1));
        self::assertNotSame($cell->simulate(200, 1), $cell->simulate(200, 2));
    }

    public function testScattersHaveMeanZeroAndSpreadOne(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(8));
        foreach (Scatter::cases() as $scatter) {
            $sum = $squares = 0.0;
            $below = 0;
            for ($i = 0; $i < 20000; ++$i) {
                $value = $scatter->draw($random);
                $sum += $value;
                $squares += $value * $value;
                $below += $value < $scatter->tenth() ? 1 : 0;
            }
            self::assertEqualsWithDelta(0.0, $sum / 20000, 0.03, $scatter->value);
            self::assertEqualsWithDelta(1.0, $squares / 20000, 0.1, $scatter->value);
            self::assertEqualsWithDelta(0.1, $below / 20000, 0.008, $scatter->value);
        }
    }

    /** @return iterable<array{Criterion, int, float, float}> pulls, distance, R: 1 - pt(bound, n-1, ncp = distance*sqrt(n)) */
    public static function powers(): iterable
    {
        yield [Criterion::Mean, 3, 1.0, 0.32183641];
        yield [Criterion::Mean, 6, 1.0, 0.67694495];
        yield [Criterion::Mean, 10, 0.5, 0.42728983];
        yield [Criterion::NearlyAll, 5, 3.0, 0.45837536];
        yield [Criterion::NearlyAll, 5, 5.0, 0.91747844];
        yield [Criterion::NearlyAll, 10, 2.0, 0.33146538];
    }

    #[DataProvider('powers')]
    public function testChanceToPassByPulls(Criterion $criterion, int $pulls, float $distance, float $power): void
    {
        self::assertEqualsWithDelta($power, PlanChance::at(self::pullPlan($criterion, $pulls), true, $distance)->passes, 1e-6);
    }

    public function testChanceToPassAfterEachRun(): void
    {
        // R: 5 million paths against the same bounds (see SequentialTest), 1 sd beyond the limit.
        $chance = PlanChance::at(self::pullPlan(Criterion::Mean, 11, Design::Adaptive), true, 1.0);
        self::assertEqualsWithDelta(0.9333528, $chance->passes, 7e-4);
        self::assertEqualsWithDelta(8.471729, $chance->runs, 0.01);
    }

    public function testChanceToPassByCountsAndItsWarnings(): void
    {
        $plan = static fn (int $runs, int $allowed = 0, Design $design = Design::Fixed): ProofPlan => new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, $allowed, $design, $runs, 0, $runs);
        // R: pbinom(0, 14, 0.05), pbinom(1, 22, 0.05)
        self::assertEqualsWithDelta(0.487675, PlanChance::at($plan(14), true, 0.95)->passes, 1e-6);
        self::assertEqualsWithDelta(0.6981513, PlanChance::at($plan(22, 1), true, 0.95)->passes, 1e-6);
        self::assertEqualsWithDelta(0.0, PlanChance::at($plan(11), true, 0.995)->passes, 0.0);
        self::assertStringStartsWith('chance.runs_never question=question.both', Said::of(PlanChance::warnings($plan(11))[0]));
        self::assertCount(1, PlanChance::warnings($plan(14)), 'Below one in two for a setup that holds 95 %.');
        self::assertSame([], PlanChance::warnings($plan(22, 1)));
        // Success run: ⌈ln 0.05 / ln 0.8⌉ and, for nine in ten, 29.
        self::assertSame([14, 22, 29], [PlanChance::fewestRuns(0.8, 0), PlanChance::fewestRuns(0.8, 1), PlanChance::fewestRuns(0.9, 0)]);
        self::assertSame(PlanChance::fewestRuns(UsualPlan::SHARE, 0), Sureness::Use->runs(false));
    }

    public function testPlansByPullsAreWarnedWhereTheyCanHardlyPass(): void
    {
        self::assertSame([], PlanChance::warnings(self::pullPlan(Criterion::Mean, 6)));
        self::assertStringStartsWith('chance.pulls_low', Said::of(PlanChance::warnings(self::pullPlan(Criterion::NearlyAll, 5))[0]));
        self::assertStringStartsWith('chance.too_few_pulls', Said::of(PlanChance::warnings(self::pullPlan(Criterion::Mean, 2))[0]));
        // R: the smallest n with 1 - pt(qt(.95, n-1), n-1, ncp = sqrt(n)) >= .9 is 11 (10: 0.8975, 11: 0.9245)
        self::assertSame(11, PlanChance::fewestPulls(Criterion::Mean, 1.0));
    }

    private static function pullPlan(Criterion $criterion, int $pulls, Design $design = Design::Fixed): ProofPlan
    {
        return new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.8, 0, $design, 2 * $pulls, $pulls, $pulls);
    }
}
