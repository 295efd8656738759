<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Judge\PlanClaims;
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
use Sitzplatz\Test\PullRule;
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

    /** @return iterable<string, array{SimulatedCell}> all claimed */
    public static function claimed(): iterable
    {
        foreach ([[false, Design::Fixed], [true, Design::Fixed], [true, Design::Adaptive]] as [$looks, $design]) {
            foreach ([3, 9] as $runs) {
                foreach ([true, false] as $hold) {
                    foreach (Criterion::cases() as $criterion) {
                        foreach (Criterion::Counts === $criterion ? [null] : Scatter::cases() as $scatter) {
                            $cell = new SimulatedCell($criterion, $runs, 0.0, $scatter, $looks, $design, $hold);
                            // Asked after each run, a plan of one look says the same: one question of one criterion is enough of that.
                            if ($cell->claimed() && (!$looks || Design::Adaptive === $design || $hold && Criterion::Mean === $criterion)) {
                                yield ($hold ? 'hold ' : 'release ')."$criterion->value $runs ".($scatter->value ?? '')." $design->value ".(int) $looks => [$cell];
                            }
                        }
                    }
                }
            }
        }
        yield 'enough pulls for their share' => [new SimulatedCell(Criterion::WithoutLaw, 16, 0.0, Scatter::LeftSkewed, true, Design::Adaptive)];
    }

    #[DataProvider('claimed')]
    public function testWhatIsClaimedIsWrongInOneCaseOfTwentyAtMost(SimulatedCell $cell): void
    {
        $result = $cell->simulate(self::REPLICATES, 77);
        self::assertLessThan(0.05 + self::NOISE, $result['false_yes']);
        self::assertLessThan(0.05 + self::NOISE, $result['false_no']);
        self::assertEqualsWithDelta(1.0, $result['false_yes'] + $result['false_no'] + $result['not_yet'], 1e-9);
        self::assertLessThanOrEqual($cell->mostRuns(), $result['mean_runs']);
    }

    public function testWhatCannotBeKeptIsNotClaimed(): void
    {
        foreach ([
            [Criterion::Mean, Scatter::WeakLink, true, 0.1],
            [Criterion::Mean, Scatter::LeftSkewed, true, 0.06],
            // For the release the dangerous side is a tail of strong pulls.
            [Criterion::Mean, Scatter::RightSkewed, false, 0.06],
            [Criterion::NearlyAll, Scatter::LeftSkewed, true, 0.06],
            [Criterion::NearlyAll, Scatter::RightSkewed, false, 0.07],
        ] as [$criterion, $scatter, $hold, $more]) {
            $cell = new SimulatedCell($criterion, 5, 0.0, $scatter, false, Design::Fixed, $hold);
            self::assertFalse($cell->claimed());
            self::assertGreaterThan($more, $cell->simulate(self::REPLICATES, 3)['false_yes'], "$criterion->value, $scatter->value");
        }
        self::assertFalse((new SimulatedCell(Criterion::WithoutLaw, 24, 0.0, Scatter::Visits, true, Design::Adaptive))->claimed());
    }

    /** What is said where a criterion is chosen is what the rule comes to. */
    public function testTheFaultsThatAreNamedAreThoseOfTheRule(): void
    {
        foreach ([
            [Criterion::Mean, 8, Scatter::LeftSkewed, true, 'mean', 'tail'],
            [Criterion::Mean, 5, Scatter::WeakLink, true, 'mean', 'weak_link'],
            [Criterion::NearlyAll, 16, Scatter::RightSkewed, false, 'nearly_all', 'tail'],
            [Criterion::NearlyAll, 5, Scatter::WeakLink, true, 'nearly_all', 'weak_link'],
            [Criterion::MiddleOfLogs, 24, Scatter::LeftSkewed, true, 'middle_of_logs', 'not_logs'],
            [Criterion::WithoutLaw, 8, Scatter::Visits, true, 'middle', 'visits'],
        ] as [$criterion, $runs, $scatter, $hold, $rule, $fault]) {
            $result = (new SimulatedCell($criterion, $runs, 0.0, $scatter, false, Design::Fixed, $hold))->simulate(self::REPLICATES, 5);
            $most = PlanClaims::WRONG[$rule][$fault][0] ?? self::fail("$rule: $fault");
            self::assertEqualsWithDelta($most, max($result['false_yes'], $result['false_no']), 0.03, "$rule: $fault");
        }
        $said = static fn (Criterion $criterion, Design $design = Design::Fixed): array => array_map(
            static fn (string $each): string => (string) strtok($each, ' '),
            Said::all(PlanClaims::of(self::pullPlan($criterion, 6, $design))),
        );
        self::assertSame(['claim.middle', 'claim.wrong_visits'], $said(Criterion::WithoutLaw));
        self::assertSame(['claim.mean', 'claim.wrong_tail', 'claim.wrong_weak_link'], $said(Criterion::Mean));
        self::assertSame(['claim.mean', 'claim.wrong_tail', 'claim.wrong_weibull', 'claim.wrong_weak_link'], $said(Criterion::Mean, Design::Adaptive));
        self::assertSame([], $said(Criterion::Counts));
    }

    /** Half of the scatter between the visits, two runs of each: by runs "holds" is false in 9 to 11 of 100, by visits in 5. */
    public function testByTheMeanTheVisitIsTheUnit(): void
    {
        $cell = new SimulatedCell(Criterion::Mean, 8, 0.0, Scatter::Visits, false, Design::Fixed);
        self::assertTrue($cell->claimed());
        self::assertLessThan(0.05 + self::NOISE, $cell->simulate(self::REPLICATES, 9)['false_yes']);
        self::assertFalse(Criterion::WithoutLaw->byVisit());
    }

    public function testAnAdaptivePlanSavesRunsAndKeepsThePower(): void
    {
        foreach ([8 => 0.829, 16 => 0.882] as $runs => $power) {
            $distance = SimulatedCell::distanceForPower(Criterion::Mean, $runs);
            $once = (new SimulatedCell(Criterion::Mean, $runs, $distance, Scatter::Normal, false, Design::Fixed))->simulate(self::REPLICATES, 4);
            // The least of three bounds costs power: 82.9 and 88.2 % (R, 400 000 samples) where Student's alone has 90.
            self::assertEqualsWithDelta($power, $once['yes'], 0.03);
            $at = (new SimulatedCell(Criterion::Mean, $runs, $distance, Scatter::Normal, true, Design::Adaptive))->simulate(self::REPLICATES, 5);
            self::assertGreaterThan($power - 0.03, $at['yes']);
            self::assertLessThan(0.95, $at['mean_runs'] / $runs);
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
        foreach (Criterion::cases() as $criterion) {
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
            $below = $above = 0;
            for ($i = 0; $i < 20000; ++$i) {
                $value = $scatter->draw($random);
                $sum += $value;
                $squares += $value * $value;
                $below += $value < $scatter->quantile(0.1) ? 1 : 0;
                $above += $value > $scatter->quantile(0.8) ? 1 : 0;
            }
            self::assertEqualsWithDelta(0.0, $sum / 20000, 0.03, $scatter->value);
            self::assertEqualsWithDelta(1.0, $squares / 20000, 0.1, $scatter->value);
            self::assertEqualsWithDelta(0.1, $below / 20000, 0.008, $scatter->value);
            self::assertEqualsWithDelta(0.2, $above / 20000, 0.01, $scatter->value);
        }
    }

    /** @return iterable<array{Criterion, int, float, float}> pulls, distance, R: 1 - pt(bound, n-1, ncp = distance*sqrt(n)) */
    public static function powers(): iterable
    {
        yield [Criterion::MiddleOfLogs, 3, 1.0, 0.32183641];
        yield [Criterion::MiddleOfLogs, 6, 1.0, 0.67694495];
        yield [Criterion::MiddleOfLogs, 10, 0.5, 0.42728983];
        // Counted: R: pnorm(1)^6, pbinom(1, 8, pnorm(2), lower.tail = FALSE) of those that miss, pnorm(3)^14
        yield [Criterion::WithoutLaw, 6, 1.0, 0.3546859];
        yield [Criterion::WithoutLaw, 8, 2.0, 0.9867719];
        yield [Criterion::WithoutLaw, 14, 3.0, 0.9812664];
    }

    #[DataProvider('powers')]
    public function testChanceToPassByPulls(Criterion $criterion, int $pulls, float $distance, float $power): void
    {
        self::assertEqualsWithDelta($power, PlanChance::at(self::pullPlan($criterion, $pulls), true, $distance)->passes, 1e-6);
    }

    /** Where the least of several bounds decides it is drawn; R: 400 000 samples of its own, to within what 400 draws can tell. */
    public function testChanceToPassByTheLeastOfSeveralBounds(): void
    {
        foreach ([[3, 1.0, 0.2080850], [6, 1.0, 0.5584875], [10, 0.5, 0.3773100]] as [$pulls, $distance, $power]) {
            self::assertEqualsWithDelta($power, PlanChance::at(self::pullPlan(Criterion::Mean, $pulls), true, $distance)->passes, 0.06);
        }
        // By the normal bound alone 0.45837536 and 0.91747844; the Weibull one takes some of it.
        foreach ([[3.0, 0.45837536], [5.0, 0.91747844]] as [$distance, $most]) {
            $at = PlanChance::at(self::pullPlan(Criterion::NearlyAll, 5), true, $distance)->passes;
            self::assertLessThan($most + 0.03, $at);
            self::assertGreaterThan($most - 0.2, $at);
        }
    }

    public function testChanceToPassAfterEachRun(): void
    {
        // R: 5 million paths against the same bounds (see SequentialTest), 1 sd beyond the limit.
        $chance = PlanChance::at(self::pullPlan(Criterion::MiddleOfLogs, 11, Design::Adaptive), true, 1.0);
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
        self::assertSame(11, PlanChance::fewestPulls(PullRule::MiddleOfLogs, self::pullPlan(Criterion::MiddleOfLogs, 6), 1.0));
        // R: the smallest n with pbinom(qbinom(.05, n, .5) - 1, n, pnorm(-2)) >= .9 by the exact sign test is 5: pnorm(2)^5 = 0.89, 8: one may miss.
        self::assertSame(8, PlanChance::fewestPulls(PullRule::Middle, self::pullPlan(Criterion::WithoutLaw, 6), 2.0));
    }

    private static function pullPlan(Criterion $criterion, int $pulls, Design $design = Design::Fixed): ProofPlan
    {
        return new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.8, 0, $design, 2 * $pulls, $pulls, $pulls);
    }
}
