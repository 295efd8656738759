<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\PlannedRun;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Tests\Core\Words\Said;

/** The order of runs: two visits to every setup, few plate changes, hot and cold spread over both visits (common practice). */
final class PlanTest extends TestCase
{
    /** @return iterable<array{int, int, int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 2, 3, 47, 65535] as $seed) {
            yield [$seed, 6, 3];
            yield [$seed, 5, 2];
            yield [$seed, 2, 2];
            yield [$seed, 7, 0];
        }
    }

    /** Looked at after each run a plan may go on to 135 % of what was planned, whole runs; at one look to none. */
    public function testAnAdaptivePlanMayTakeAThirdMore(): void
    {
        $plan = static fn (Design $design): ProofPlan => new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Mean, 0.8, 0, $design, 20, 10, 10);
        self::assertSame([27, 54, 81, 13, 4], array_map($plan(Design::Adaptive)->most(...), [20, 40, 60, 10, 3]));
        self::assertSame([20, 3], array_map($plan(Design::Fixed)->most(...), [20, 3]));
    }

    #[DataProvider('seeds')]
    public function testEverySetupIsVisitedTwiceWithThePlateOffInBetween(int $seed, int $runs, int $hot): void
    {
        $order = RunOrder::draw(self::setups(), $runs, $hot, $seed);
        self::assertCount(4 * $runs, $order->runs);
        self::assertSame(range(1, 4 * $runs), array_map(static fn (PlannedRun $run): int => $run->position, $order->runs));
        $plates = ['a' => 'P1', 'b' => 'P1', 'c' => 'P2', 'd' => 'P3'];
        $onPrinter = null;
        foreach ($order->runs as $run) {
            if ($onPrinter !== $plates[$run->setupId]) {
                self::assertTrue($run->plateChange, 'A plate that is not on the printer has to be put on.');
            }
            $onPrinter = $plates[$run->setupId];
        }
        foreach (array_keys($plates) as $setup) {
            $own = array_filter($order->runs, static fn (PlannedRun $run): bool => $run->setupId === $setup);
            self::assertCount($runs, $own);
            self::assertSame([1, 2], array_values(array_unique(array_map(static fn (PlannedRun $run): int => $run->visit, $own))));
            self::assertCount($hot, array_filter($own, static fn (PlannedRun $run): bool => PullKind::Hot === $run->pull));
            $hotByVisit = [1 => 0, 2 => 0];
            foreach ($own as $run) {
                $hotByVisit[$run->visit] += PullKind::Hot === $run->pull ? 1 : 0;
            }
            self::assertLessThanOrEqual(1, abs($hotByVisit[1] - $hotByVisit[2]));
        }
        self::assertSame(6, $order->plateChanges, 'Three plates, each put on twice.');
        self::assertSame(3, $order->plateChangesSingleVisit);
    }

    public function testEverySecondVisitRunsBackwards(): void
    {
        // AB BA: nobody comes first each time (counterbalanced blocks, common practice).
        for ($seed = 0; $seed < 100; ++$seed) {
            $visits = [];
            foreach (RunOrder::draw(self::setups(), 8, 4, $seed, 4)->runs as $run) {
                $visits[$run->visit][$run->setupId] = true;
            }
            self::assertSame([1, 2, 3, 4], array_keys($visits));
            self::assertSame(array_reverse(array_keys($visits[1])), array_keys($visits[2]));
            self::assertSame(array_reverse(array_keys($visits[3])), array_keys($visits[4]));
        }
        $two = RunOrder::draw([new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P2')], 4, 2, 1)->runs;
        self::assertSame($two[3]->setupId, $two[4]->setupId, 'The plate that is on comes off and goes on again.');
        self::assertTrue($two[4]->plateChange);
    }

    public function testTheFirstRunsOfAnAdaptivePlanGiveEachQuestionItsFirstLook(): void
    {
        self::assertSame([6, 3], ComparisonLife::firstRuns(12, 6));
        self::assertSame([3, 0], ComparisonLife::firstRuns(14, 0));
        self::assertSame([5, 2], ComparisonLife::firstRuns(8, 2));
    }

    public function testTheSameSeedGivesTheSameOrderAndAnotherAnother(): void
    {
        $order = static fn (int $seed): string => serialize(RunOrder::draw(self::setups(), 6, 3, $seed)->runs);
        self::assertSame($order(11), $order(11));
        self::assertNotSame($order(11), $order(12));
    }

    public function testSinglePartsStandOnAllSpotsEquallyOften(): void
    {
        // Corners fail first (common practice): who stands in the middle more often would win by that.
        for ($seed = 0; $seed < 50; ++$seed) {
            $spots = [];
            foreach (RunOrder::draw(self::setups(), 12, 6, $seed, 2, true)->runs as $run) {
                $spots[$run->setupId][] = $run->spot?->value;
            }
            foreach ($spots as $own) {
                $counts = array_values(array_count_values(array_filter($own)));
                sort($counts);
                self::assertSame([2, 2, 2, 3, 3], $counts);
            }
        }
        $plain = RunOrder::draw(self::setups(), 12, 6, 3);
        $spread = RunOrder::draw(self::setups(), 12, 6, 3, 2, true);
        $order = static fn (PlannedRun $run): array => [$run->position, $run->setupId, $run->pull];
        self::assertSame(array_map($order, $plain->runs), array_map($order, $spread->runs), 'The order is the same.');
        self::assertNull($plain->runs[0]->spot);
    }

    public function testASinglePlateComesOffAndGoesOnAgain(): void
    {
        $order = RunOrder::draw([new PlannedSetup('a', 'P1')], 4, 2, 1);
        self::assertSame([true, false, true, false], array_map(static fn (PlannedRun $run): bool => $run->plateChange, $order->runs));
    }

    public function testTimeAndTheCostOfTheSecondVisit(): void
    {
        $order = RunOrder::draw(self::setups(), 4, 2, 1);
        $estimate = TimeEstimate::of($order, new RunDurations(4, 8, 24, 20, 5, 6));
        // By hand: 16 runs of 41 min, 8 of them cool for 20 min, and 6 plate changes of 6 min.
        self::assertEqualsWithDelta(16 * 41 + 8 * 20 + 6 * 6, $estimate->totalMinutes, 1e-9);
        self::assertEqualsWithDelta(18, $estimate->secondVisitMinutes, 1e-9);
        self::assertStringContainsString('plan.second_visit changes=6 single=3 more=1080', Said::of($estimate->secondVisitSentence($order)));
    }

    public function testImpossiblePlansAreRefused(): void
    {
        foreach ([
            static fn () => RunOrder::draw([], 4, 2, 1),
            static fn () => RunOrder::draw(self::setups(), 1, 0, 1),
            static fn () => RunOrder::draw(self::setups(), 4, 5, 1),
            static fn () => RunOrder::draw(self::setups(), 4, -1, 1),
            static fn () => RunOrder::draw(self::setups(), 4, 2, 1, 1),
            static fn () => RunOrder::draw(self::setups(), 4, 2, 1, 5),
        ] as $plan) {
            try {
                $plan();
                self::fail('This plan cannot be carried out.');
            } catch (BadPlan $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function testConfoundedSetupsAreSaid(): void
    {
        // Common practice: people slip by varying two things at once.
        $one = VariedFactors::between([['surface' => 'glass', 'agent' => null, 'bed' => 60.0], ['surface' => 'smooth PEI', 'agent' => null, 'bed' => 60.0]]);
        self::assertSame(['surface'], $one->names);
        self::assertFalse($one->confounded());
        self::assertSame('varied.one factor=factor.surface', Said::of($one->sentence()));
        $two = VariedFactors::between([['surface' => 'glass', 'bed' => 60.0, 'agent' => 'stick'], ['surface' => 'smooth PEI', 'bed' => 70.0, 'agent' => null]]);
        self::assertTrue($two->confounded());
        self::assertStringContainsString('varied.confounded factors=[factor.surface; factor.bed; factor.agent]', Said::of($two->sentence()));
        self::assertSame('varied.nothing', Said::of(VariedFactors::between([['bed' => 60.0], ['bed' => 60.0]])->sentence()));
    }

    /** One setup more beside a complete 2 × 2, and no difference was said to be put down to one factor. */
    public function testPairsThatDifferInOneThingAreNamed(): void
    {
        $of = static fn (string $surface, ?string $agent, float $bed): array => ['surface' => $surface, 'agent' => $agent, 'bed' => $bed];
        $square = [$of('glass', null, 60.0), $of('glass', 'stick', 60.0), $of('PEI', null, 60.0), $of('PEI', 'stick', 60.0)];
        self::assertFalse(VariedFactors::between($square)->confounded());
        $more = VariedFactors::between([...$square, $of('film', 'stick', 80.0)]);
        self::assertTrue($more->confounded());
        self::assertSame(
            'varied.some_pairs factors=[factor.surface; factor.agent; factor.bed] pairs=[varied.pair a=A b=B factor=factor.agent; varied.pair a=A b=C factor=factor.surface; '
                .'varied.pair a=B b=D factor=factor.surface; varied.pair a=C b=D factor=factor.agent] more=0',
            Said::of($more->sentence()),
        );
    }

    /** @return list<PlannedSetup> */
    private static function setups(): array
    {
        return [new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P1'), new PlannedSetup('c', 'P2'), new PlannedSetup('d', 'P3')];
    }
}
