<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Judge\PlanClaims;
use Sitzplatz\Judge\Scatter;
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

    /** R: pt(-qt(.95, 7), 7, ncp = -sqrt(8)*d) below, 1 - pt(qt(.95, 7), 7, ncp = sqrt(8)*d) above. */
    public function testChanceToBeRefuted(): void
    {
        foreach ([[1.0, 0.8150194], [0.5, 0.3567421]] as [$distance, $power]) {
            $good = PlanChance::at(self::pullPlan(Criterion::MiddleOfLogs, 8), true, $distance);
            $bad = PlanChance::at(self::pullPlan(Criterion::MiddleOfLogs, 8), true, -$distance);
            self::assertEqualsWithDelta([$power, $power], [$good->passes, $bad->refuted], 1e-6);
            self::assertEqualsWithDelta([8.0, 8.0], [$good->runs, $bad->runs], 1e-9);
            self::assertLessThan(0.01, $good->refuted + $bad->passes);
        }
        $never = PlanChance::at(self::pullPlan(Criterion::Mean, 2), true, 3.0);
        self::assertEqualsWithDelta([0.0, 0.0, 2.0], [$never->passes, $never->refuted, $never->runs], 1e-12);
        $surely = PlanChance::at(self::pullPlan(Criterion::Mean, 6), true, 40.0);
        // One even sample in a hundred looks uneven (the level of that test), and then nothing is answered.
        self::assertEqualsWithDelta(0.99, $surely->passes, 0.01);
        self::assertEqualsWithDelta([0.0, 6.0], [$surely->refuted, $surely->runs], 1e-9);
        // At the very limit a sound plan seldom answers, and takes all its runs.
        $open = PlanChance::at(self::pullPlan(Criterion::Mean, 6), true, 0.0);
        self::assertLessThan(0.15, $open->passes + $open->refuted);
        self::assertEqualsWithDelta(6.0, $open->runs, 1e-9);
    }

    /** What a plan can show is drawn from three spreads short of the limit to five beyond it, and over all shares. */
    public function testThePictureGoesOverAllQualities(): void
    {
        $truths = static fn (array $points): array => array_map(static fn (PlanChance $each): float => round($each->truth, 9), $points);
        $pulls = PlanChance::curve(self::pullPlan(Criterion::MiddleOfLogs, 5), true);
        self::assertEqualsWithDelta(array_map(static fn (int $i): float => -3 + 0.2 * $i, range(0, 40)), $truths($pulls), 1e-9);
        $counted = new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, 0, Design::Adaptive, 14, 0, 14);
        $shares = PlanChance::curve($counted, true);
        self::assertEqualsWithDelta(array_map(static fn (int $i): float => 0.025 * $i, range(0, 40)), $truths($shares), 1e-9);
        foreach ([...$pulls, ...$shares] as $each) {
            self::assertGreaterThanOrEqual(0.0, min($each->passes, $each->refuted));
            self::assertLessThanOrEqual(1.0, max($each->passes, $each->refuted));
        }
        self::assertEqualsWithDelta([0.5, 1.0, 2.0, 3.0, 5.0], $truths(PlanChance::table(self::pullPlan(Criterion::MiddleOfLogs, 5), true)), 1e-12);
        self::assertEqualsWithDelta([0.9, 0.95, 0.98, 0.995], $truths(PlanChance::table($counted, true)), 1e-12);
    }

    /** R, uniroot: pt(qt(.95, 7), 7, sqrt(8)*d, lower = FALSE) = 0.8 at d = 0.978; x^14 = 0.8 at 0.984; pbinom(8, 14, x) = 0.8 at 0.494. */
    public function testWhatAPlanSeesIsWhatItSaysInEightCasesOfTen(): void
    {
        $sees = static fn (ProofPlan $plan, bool $byPulls): string => Said::of(PlanChance::sees(PlanChance::curve($plan, true), $byPulls));
        self::assertSame('chance.sees_pulls good=0.98 bad=0.98', (string) preg_replace('/(0\.\d\d)\d+/', '$1', $sees(self::pullPlan(Criterion::MiddleOfLogs, 8), true)));
        $plan = static fn (int $runs): ProofPlan => new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, 0, Design::Fixed, $runs, 0, $runs);
        self::assertMatchesRegularExpression('/^chance\.sees_runs good=0\.98\d* bad=0\.49\d*$/', $sees($plan(14), false));
        self::assertStringStartsWith('chance.sees_bad_runs bad=', $sees($plan(8), false), 'Eight runs cannot show four in five.');
        self::assertSame('chance.sees_nothing', $sees($plan(0), false));
    }

    /** Of good setups a plan is warned: one spread beyond the limit by a mean, two by the middle, three where nearly all have to clear it. */
    public function testAPlanIsWarnedByWhatAGoodSetupWouldCome(): void
    {
        self::assertEqualsWithDelta([1.0, 1.0, 2.0, 3.0, 3.0], array_map(PlanChance::good(...), [PullRule::Mean, PullRule::MiddleOfLogs, PullRule::Middle, PullRule::Share, PullRule::NearlyAll]), 1e-12);
        // Of middle pulls on logarithms eleven show it in 92 of 100, ten in 89.8 (R, as above). R: n with 0.9875^n <= 0.05 is 239, with 0.985^n is 199.
        self::assertSame([199, null], [PlanChance::fewestRuns(0.985, 0), PlanChance::fewestRuns(0.9875, 0)]);
        self::assertContains('chance.pulls_low question=question.both chance=0.3218 distance=1 n=3 enough=11', Said::all(PlanChance::warnings(self::pullPlan(Criterion::MiddleOfLogs, 3))));
    }

    public function testWhatAPlanClaimsIsSaidWithWhatIsKnownToBreakIt(): void
    {
        $said = static fn (Criterion $criterion, Design $design, bool $byVisit = false): array => array_map(
            static fn (string $each): string => str_replace([' claimed=0.05', 'claim.'], '', $each),
            Said::all(PlanClaims::of(new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.8, 0, $design, 10, 5, 5, byVisit: $byVisit))),
        );
        self::assertSame(['counts share=0.8 fewest=14', 'wrong_visits wrong=0.07'], $said(Criterion::Counts, Design::Fixed));
        self::assertSame(['counts share=0.8 fewest=14', 'wrong_visits wrong=0.1'], $said(Criterion::Counts, Design::Adaptive));
        self::assertSame(['middle share=0.5 fewest=5', 'wrong_visits wrong=0.07'], $said(Criterion::WithoutLaw, Design::Fixed));
        self::assertSame(['middle share=0.5 fewest=5'], $said(Criterion::WithoutLaw, Design::Adaptive, true));
        self::assertSame(['middle_of_logs share=0.5 fewest=3', 'wrong_not_logs wrong=0.25', 'wrong_visits wrong=0.15', 'wrong_weak_link wrong=0.44'], $said(Criterion::MiddleOfLogs, Design::Fixed));
        self::assertSame(['middle_of_logs share=0.5 fewest=3', 'wrong_not_logs wrong=0.19', 'wrong_visits wrong=0.16', 'wrong_weak_link wrong=0.33'], $said(Criterion::MiddleOfLogs, Design::Adaptive));
        self::assertSame(['mean share=0.5 fewest=3', 'wrong_tail wrong=0.09', 'wrong_weak_link wrong=0.2'], $said(Criterion::Mean, Design::Fixed));
        self::assertSame(['mean share=0.5 fewest=3', 'wrong_tail wrong=0.12', 'wrong_weibull wrong=0.06', 'wrong_weak_link wrong=0.24'], $said(Criterion::Mean, Design::Adaptive));
        self::assertSame(['nearly_all share=0.9 fewest=3', 'wrong_tail wrong=0.14', 'wrong_visits wrong=0.1', 'wrong_weak_link wrong=0.42'], $said(Criterion::NearlyAll, Design::Fixed));
        self::assertSame(['nearly_all share=0.9 fewest=3', 'wrong_tail wrong=0.16', 'wrong_weak_link wrong=0.46'], $said(Criterion::NearlyAll, Design::Adaptive, true));
    }

    /** R: qlnorm(p, 0, .5), qweibull(p, 5) and the root of .15*pnorm(x + 6) + .85*pnorm(x) - p, each less its mean and over its sd. */
    public function testEachScatterIsTheOneItIsCalled(): void
    {
        $of = static fn (Scatter $scatter): array => array_map($scatter->quantile(...), [0.05, 0.5, 0.9]);
        self::assertEqualsWithDelta([-1.148839, -0.2204808, 1.266441], $of(Scatter::RightSkewed), 1e-6);
        self::assertEqualsWithDelta([-1.740655, 0.0530212, 1.252236], $of(Scatter::Weibull), 1e-6);
        self::assertEqualsWithDelta([-2.339248, 0.2863372, 0.8826357], $of(Scatter::WeakLink), 1e-6);
        self::assertEqualsWithDelta(0.2204808, Scatter::LeftSkewed->quantile(0.5), 1e-6);
        // R: 1/sqrt(exp(.25) - 1), gamma(1.2)/sqrt(gamma(1.4) - gamma(1.2)^2)
        self::assertEqualsWithDelta([1.876383, 4.365803], [Scatter::RightSkewed->mean(), Scatter::Weibull->mean()], 1e-6);
        // A spread of a fifth of the mean is usual (common practice).
        self::assertEqualsWithDelta([5.0, 5.0], [Scatter::Normal->mean(), Scatter::Visits->mean()], 1e-12);
    }

    private static function pullPlan(Criterion $criterion, int $pulls, Design $design = Design::Fixed): ProofPlan
    {
        return new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.8, 0, $design, 2 * $pulls, $pulls, $pulls);
    }
}
