<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\DesignFigures;
use Sitzplatz\Judge\Difference;
use Sitzplatz\Judge\NextDo;
use Sitzplatz\Judge\NextStep;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\WeakPoints;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Tests\Core\Words\Said;

/** What a verdict comes to: what differs and matters, what stands against it, and what is done next. */
final class WhatItComesToTest extends TestCase
{
    /** R `PlantGrowth` as cold pulls: only trt2 − trt1 differs (Games–Howell 0.1135 … 1.6165, as in the references). */
    private const PLANTS = [
        'ctrl' => [4.17, 5.58, 5.18, 6.11, 4.50, 4.61, 5.17, 4.53, 5.33, 5.14],
        'trt1' => [4.81, 4.17, 4.41, 3.59, 5.87, 3.83, 6.03, 4.89, 4.32, 4.69],
        'trt2' => [6.31, 5.12, 5.54, 5.50, 5.37, 5.29, 4.92, 6.15, 5.80, 5.26],
    ];

    public function testWhatDiffersIsHeldAgainstWhatMatters(): void
    {
        // A quarter of the limit matters: 0.1 N, 0.5 N, 1 N, 3 N.
        self::assertSame(['matters', 'cannot_tell', 'cannot_tell'], $this->meanings(0.4));
        self::assertSame(['real', 'cannot_tell', 'cannot_tell'], $this->meanings(2.0));
        self::assertSame(['real', 'alike', 'alike'], $this->meanings(4.0));
        self::assertSame(['too_small', 'alike', 'alike'], $this->meanings(12.0));
        $told = Difference::among(ComparisonJudgement::of(self::plants()), new Limits(null, 4.0, Effort::Flex))[0];
        self::assertSame('difference.real measure=measure.pull_cold a=trt1 b=trt2 by=0.865 near=0.1135 far=1.6165 matters=1', Said::of($told->sentence));
        // R: two one-sided Welch tests, max(t.test(trt2, trt1, mu = -1, alternative = "greater")$p.value, (…, mu = 1, "less")$p.value)
        self::assertEqualsWithDelta(0.3228451722, (float) $told->alikeP, 1e-9);
        self::assertSame([], Difference::among(ComparisonJudgement::of(self::plants()), new Limits(null, null, Effort::Flex)), 'Nobody said what matters.');
    }

    public function testASetupOfOneReadingDiffersFromNoneThatIsKnown(): void
    {
        $one = new SetupRecord('once', [[new Reading(Measure::PullCold, 9.0)]]);
        $pairs = Difference::among(ComparisonJudgement::of([...self::plants(), $one]), new Limits(null, 4.0, Effort::Flex));
        self::assertCount(3, $pairs);
        self::assertStringNotContainsString('once', implode(' ', array_map(static fn (Difference $each): string => Said::of($each->sentence), $pairs)));
    }

    public function testALiftMattersFromWhatPracticeCallsGoodOrFromHalfItsLimit(): void
    {
        self::assertEqualsWithDelta(0.1, Difference::matters(Measure::Lift, new Limits(20, 12, Effort::Flex)), 1e-12);
        self::assertEqualsWithDelta(0.15, Difference::matters(Measure::Lift, new Limits(20, 12, Effort::Flex, 0.3)), 1e-12);
        self::assertEqualsWithDelta(5.0, Difference::matters(Measure::ReleaseTemperature, new Limits(20, 12, Effort::Flex)), 1e-12);
        self::assertNull(Difference::matters(Measure::Effort, new Limits(20, 12, Effort::Flex)));
        $said = new Limits(20, 12, Effort::Flex, 0.3, pullMattersN: 7.5, liftMattersMm: 0.2);
        self::assertEqualsWithDelta([7.5, 7.5, 0.2], array_map(static fn (Measure $each): ?float => Difference::matters($each, $said), [Measure::PullHot, Measure::PullCold, Measure::Lift]), 1e-12, 'Who plans may say so.');
    }

    /** The visits of the plan are the blocks: a day that pulls 10 N more hides nothing. */
    public function testSetupsAreComparedWithinTheirVisits(): void
    {
        $setup = static fn (string $name, float $more): SetupRecord => new SetupRecord(
            $name,
            array_map(static fn (float $pull): array => [new Reading(Measure::PullCold, $pull + $more)], [4.0, 4.4, 14.1, 14.3]),
            null,
            ['1', '1', '2', '2'],
        );
        $comparison = ComparisonJudgement::of([$setup('A', 0.0), $setup('B', 1.0)])->measures['pull_cold'];
        $figures = DesignFigures::of($comparison, null, []);
        // Of 6 × 6 ways to share out the values of each visit two part the setups as far: all low ones in A, or all in B.
        self::assertSame([2 / 36, 36, true, 2], [$figures['permutation']['p'], $figures['permutation']['ways'], $figures['permutation']['exact'], $figures['permutation']['visits']]);
        // R: anova(lm(y ~ visit + setup)), y <- c(4, 4.4, 14.1, 14.3, 5, 5.4, 15.1, 15.3)
        self::assertSame(['variance.factor factors=[variance.setup]', 'variance.visits'], array_map(static fn (array $line): string => Said::of($line['term']), $figures['variance']['lines']));
        self::assertEqualsWithDelta(50.0, $figures['variance']['lines'][0]['statistic'], 1e-6);
        self::assertSame([1, 5], [$figures['variance']['lines'][0]['df'], $figures['variance']['error_df']]);
    }

    public function testCrossedFactorsAreTakenApartAndOthersAreNot(): void
    {
        $grid = [];
        foreach (['glass', 'PEI'] as $surface) {
            foreach (['', 'stick'] as $agent) {
                $grid["$surface $agent"] = ['surface' => $surface, 'agent' => $agent, 'bed' => 60.0];
            }
        }
        $crossed = VariedFactors::between(array_values($grid));
        self::assertSame([true, false, 'varied.crossed factors=[factor.surface; factor.agent]'], [$crossed->crossed, $crossed->confounded(), Said::of($crossed->sentence())]);
        self::assertTrue(VariedFactors::between(\array_slice(array_values($grid), 0, 3))->confounded(), 'One combination is missing.');
        $records = $levels = [];
        foreach (array_keys($grid) as $i => $name) {
            $records[] = new SetupRecord($name, array_map(static fn (int $k): array => [new Reading(Measure::PullCold, 10.0 + $i + 0.3 * $k)], [0, 1, 2]));
            $levels[$name] = $crossed->levels($grid[$name]);
        }
        $lines = DesignFigures::of(ComparisonJudgement::of($records)->measures['pull_cold'], $crossed, $levels)['variance']['lines'];
        self::assertSame(
            ['variance.factor factors=[factor.surface]', 'variance.factor factors=[factor.agent]', 'variance.together factors=[factor.surface; factor.agent]'],
            array_map(static fn (array $line): string => Said::of($line['term']), $lines),
        );
        self::assertEqualsWithDelta(0.0, $lines[2]['statistic'], 1e-9, 'They add up, and do no more.');
    }

    /** A scale that shows 5 % too much of a known weight: a mean that clears its limit by less is not taken for clear. */
    public function testAScaleThatIsOffWidensTheBounds(): void
    {
        $plan = self::plan(28.0);
        $pulls = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];
        self::assertSame(Answer::Yes, self::judge($pulls, 1.0, $plan)->hold->pulls?->clears);
        $off = self::judge($pulls, 0.95, $plan)->hold->pulls;
        self::assertSame(Answer::NotYet, $off?->clears);
        // R: t.test(hot, alternative = "greater")$conf.int[1] is 28.496; 5 % less is 27.071. The upper bound, of the three the highest, stays as shown.
        self::assertEqualsWithDelta(0.95 * 28.496, (float) $off->lower, 5e-4);
        self::assertEqualsWithDelta(33.1216, (float) $off->upper, 5e-4);
        self::assertSame(Answer::Yes, self::judge($pulls, 1.05, $plan)->hold->pulls?->clears, 'One that shows too little makes nothing weaker.');
    }

    public function testWeakPointsAreSaid(): void
    {
        $plan = self::plan(20.0);
        $record = static fn (?float $gain): SetupRecord => new SetupRecord('A', self::runs([31.2, 28.4, 33.9, 30.1, 27.2, 34.0], $gain), null, array_fill(0, 6, '1'));
        $said = static fn (SetupRecord $record, int $plates): array => Said::all(WeakPoints::of(
            [$record],
            [SetupJudgement::of($record, $plan)],
            $plan,
            VariedFactors::between([['surface' => 'glass']]),
            [['voids' => 2, 'alone' => 1]],
            true,
            1,
            ['waiting' => 2, 'warm' => 1, 'simulated' => 6],
            ['surfaces' => 1, 'plates' => $plates, 'lots' => 1, 'materials' => 1],
            ['otherFile' => 3 - $plates, 'roomLowC' => 18.0, 'roomHighC' => 17.0 + 4 / $plates],
        ));
        self::assertSame([
            'weak.grew',
            'weak.open runs=1',
            'weak.waiting runs=2',
            'weak.warm runs=1',
            'weak.simulated runs=6',
            'weak.voids setup=A voids=2 alone=1',
            'weak.one_visit setup=A',
            'weak.unseen setups=[A]',
            'weak.other_file runs=2',
            'weak.rooms low=18 high=21',
            'weak.scale_unchecked pulls=6',
            'weak.only only=[weak.one_lot; weak.one_plate]',
        ], $said($record(null), 1));
        $twice = new SetupRecord('A', self::runs([31.2, 28.4, 33.9, 30.1, 27.2, 34.0], null), null, ['1', '1', '1', '2', '2', '2']);
        self::assertStringNotContainsString('one_visit', implode(' ', $said($twice, 1)));
        self::assertContains('weak.scale_high share=0.04', $said($record(0.96), 1));
        self::assertContains('weak.only only=[weak.one_lot]', $said($record(1.001), 2));
        self::assertStringNotContainsString('weak.rooms', implode(' ', $said($record(1.001), 2)), 'A degree is nothing.');
        self::assertStringNotContainsString('scale', implode(' ', $said($record(1.001), 2)), 'A scale that is right to half a percent is right.');
    }

    /** A mean hides a weak part in seven unless there are pulls enough; a share that was counted does not. */
    public function testWhatFewPullsCannotShowIsSaidOfThoseThatHoldByThem(): void
    {
        /** @param list<float> ...$pulls */
        $said = static function (ProofPlan $plan, array ...$pulls): array {
            $records = [];
            foreach (array_values($pulls) as $i => $of) {
                $records[] = new SetupRecord('ABC'[$i], self::runs(array_values($of), 1.0));
            }

            return self::weak($plan, ...$records);
        };
        $plan = static fn (Criterion $criterion, int $n, Design $design = Design::Fixed): ProofPlan => new ProofPlan(new Limits(20.0, null, Effort::Flex), $criterion, 0.8, 0, $design, $n, $n, 0);
        $good = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];
        $atTheLimit = [20.2, 19.4, 20.9, 20.1, 19.2, 20.0];
        self::assertSame(['weak.unseen setups=[A]'], $said($plan(Criterion::Mean, 6), $good, $atTheLimit), 'What is open claims nothing.');
        self::assertSame(['weak.unseen setups=[A; C]'], $said($plan(Criterion::Mean, 6), $good, $atTheLimit, $good));
        $many = [...$good, ...$good, ...$good, ...$good];
        self::assertSame([], $said($plan(Criterion::Mean, 24), $many), 'Twenty-four would show it.');
        self::assertSame(['weak.unseen setups=[A]'], $said($plan(Criterion::Mean, 24, Design::Adaptive), $many), 'Unless the looking may have ended before.');
        self::assertSame([], $said($plan(Criterion::WithoutLaw, 18), \array_slice($many, 0, 18)), 'Counted against the share.');
        self::assertSame([], $said($plan(Criterion::Counts, 14), \array_slice($many, 0, 14)));
    }

    public function testHalfOfThePullsOrMoreAtTheEndOfTheScaleIsAWeakPoint(): void
    {
        $said = static fn (int $atTheEnd): string => implode(' ', self::weak(self::plan(20.0), new SetupRecord('A', array_map(
            static fn (int $i): array => [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 49.0, $i < $atTheEnd, 0.0, 1.0)],
            range(0, 5),
        ))));
        self::assertStringNotContainsString('weak.bounds', $said(2));
        self::assertStringContainsString('weak.bounds setup=A measure=measure.pull_hot bounds=3 n=6', $said(3));
        self::assertStringNotContainsString('weak.bounds', $said(0));
    }

    public function testWhatIsDoneNext(): void
    {
        $passed = self::judge([31.2, 28.4, 33.9, 30.1, 27.2, 34.0], 1.0, self::plan(20.0));
        $steps = static fn (ComparisonStatus $status, ?string $use, bool $against, array $newPlan, int $going, int $planned, SetupJudgement $of): array => array_map(
            static fn (NextStep $step): string => $step->do->value,
            NextStep::after([$of], $status, Design::Fixed, $use, [$against], $newPlan, $going, $planned),
        );
        self::assertSame(['finish', 'run'], $steps(ComparisonStatus::Running, null, false, [], 1, 3, $passed));
        self::assertSame(['record', 'choose'], $steps(ComparisonStatus::Running, null, false, [], 0, 0, self::judge([12.0, 14.0, 13.1, 11.8, 12.9, 13.3], 1.0, self::plan(20.0))));
        self::assertSame(['wash', 'choose'], $steps(ComparisonStatus::Closed, null, true, [], 0, 0, self::judge([12.0, 14.0, 13.1, 11.8, 12.9, 13.3], 1.0, self::plan(20.0))));
        self::assertSame(['propose', 'plan_again'], $steps(ComparisonStatus::Closed, 'A', false, ['A' => 14, 'B' => null], 0, 0, $passed));
        $open = self::judge([19.0, 22.0], 1.0, self::plan(20.0));
        self::assertSame([], $steps(ComparisonStatus::Closed, null, false, ['A' => null], 0, 0, $open), 'Not yet known is not "none of these".');
        self::assertSame(['record'], $steps(ComparisonStatus::Running, null, false, [], 0, 0, $open), 'All runs of the one look are done.');
        self::assertSame([], NextStep::after([$open], ComparisonStatus::Running, Design::Adaptive, null, [false], [], 0, 0), 'A further run may settle it.');
        self::assertSame(NextDo::Propose, NextStep::after([$passed], ComparisonStatus::Closed, Design::Fixed, 'A', [false], [], 0, 0)[0]->do);
    }

    /** @return list<string> */
    private function meanings(float $limitN): array
    {
        return array_map(
            static fn (Difference $each): string => $each->meaning->value,
            Difference::among(ComparisonJudgement::of(self::plants()), new Limits(null, $limitN, Effort::Flex)),
        );
    }

    /** @return list<SetupRecord> */
    private static function plants(): array
    {
        $records = [];
        foreach (self::PLANTS as $name => $values) {
            $records[] = new SetupRecord($name, array_map(static fn (float $value): array => [new Reading(Measure::PullCold, $value)], $values));
        }

        return $records;
    }

    /** @return list<string> of setups against which nothing else stands */
    private static function weak(ProofPlan $plan, SetupRecord ...$records): array
    {
        return Said::all(WeakPoints::of(
            array_values($records),
            array_values(array_map(static fn (SetupRecord $each): SetupJudgement => SetupJudgement::of($each, $plan), $records)),
            $plan,
            VariedFactors::between([['surface' => 'glass']]),
            array_fill(0, \count($records), ['voids' => 0, 'alone' => 0]),
            false,
            0,
            ['waiting' => 0, 'warm' => 0, 'simulated' => 0],
            ['surfaces' => 1, 'plates' => 2, 'lots' => 2, 'materials' => 1],
            ['otherFile' => 0, 'roomLowC' => 20.0, 'roomHighC' => 20.0],
        ));
    }

    private static function plan(float $hotAtLeastN): ProofPlan
    {
        return new ProofPlan(new Limits($hotAtLeastN, null, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 6, 6, 0);
    }

    /** @param list<float> $pulls */
    private static function judge(array $pulls, float $gain, ProofPlan $plan): SetupJudgement
    {
        return SetupJudgement::of(new SetupRecord('A', self::runs($pulls, $gain)), $plan);
    }

    /**
     * @param list<float> $pulls
     *
     * @return list<list<Reading>>
     */
    private static function runs(array $pulls, ?float $gain): array
    {
        return array_map(static fn (float $pull): array => [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, $pull, gain: $gain)], $pulls);
    }
}
