<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\Sureness;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Tests\Core\Words\Said;

/** The chances that a plan has to pass, against R. */
final class PlanChanceTest extends TestCase
{
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
