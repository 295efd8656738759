<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\Words\Said;

final class ComparisonJudgementTest extends TestCase
{
    /** R's dataset PlantGrowth, read as if the weights were pulls in N. */
    private const PLANT_GROWTH = [
        'ctrl' => '4.17 5.58 5.18 6.11 4.50 4.61 5.17 4.53 5.33 5.14',
        'trt1' => '4.81 4.17 4.41 3.59 5.87 3.83 6.03 4.89 4.32 4.69',
        'trt2' => '6.31 5.12 5.54 5.50 5.37 5.29 4.92 6.15 5.80 5.26',
    ];

    public function testTheFiguresOfAKnownTable(): void
    {
        $result = ComparisonJudgement::of($this->plants()->records())->toArray(120.0);
        $pull = $result['measures']['pull_hot'];
        // R: oneway.test, and Games–Howell by definition with ptukey
        self::assertSame('welch', $pull['overall']['method']);
        self::assertEqualsWithDelta(5.180972408, $pull['overall']['statistic'], 1e-9);
        self::assertEqualsWithDelta(17.12841862, $pull['overall']['df'][1], 1e-8);
        self::assertEqualsWithDelta(0.01739282149, $pull['overall']['p'], 1e-11);
        self::assertSame([['ctrl', 'trt1'], ['ctrl', 'trt2'], ['trt1', 'trt2']], array_map(static fn (array $p): array => [$p['a'], $p['b']], $pull['pairs']));
        self::assertEqualsWithDelta(0.0237034547392, $pull['pairs'][2]['p'], 1e-10);
        self::assertEqualsWithDelta(0.1135129887, $pull['pairs'][2]['ci95'][0], 1e-9);
        // R: mean and sd of trt2: 5.526, 0.4425733; t.test(...)$conf.int 5.209402 … 5.842598
        self::assertEqualsWithDelta(5.526, $pull['setups'][2]['mean'], 1e-12);
        self::assertEqualsWithDelta(0.4425733, $pull['setups'][2]['sd'], 5e-8);
        self::assertEqualsWithDelta(5.209402, $pull['setups'][2]['ci95'][0], 5e-7);
        self::assertEqualsWithDelta(5.526 / 120, $pull['setups'][2]['mean_mpa'], 1e-12);
        self::assertArrayNotHasKey('reason', $pull['overall']);
    }

    public function testAForceBecomesAStressAndALiftDoesNot(): void
    {
        $csv = $this->csv("A,1,lift,0.2,mm,exact\nA,2,lift,0.4,mm,exact\nA,1,pull_cold,6,N,exact\nA,2,pull_cold,12,N,exact\n");
        $measures = ComparisonJudgement::of($csv->records())->toArray(90.0)['measures'];
        self::assertArrayNotHasKey('mean_mpa', $measures['lift']['setups'][0]);
        self::assertEqualsWithDelta(0.1, $measures['pull_cold']['setups'][0]['mean_mpa'], 1e-12);
        self::assertArrayNotHasKey('mean_mpa', ComparisonJudgement::of($csv->records())->toArray()['measures']['pull_cold']['setups'][0]);
    }

    public function testHeldRatesStandBesideTheMeans(): void
    {
        $table = '';
        foreach (range(1, 10) as $run) {
            $table .= \sprintf("A,%d,held,%d,,exact\n", $run, $run <= 9 ? 1 : 0);
        }
        $held = ComparisonJudgement::of($this->csv($table)->records())->toArray()['held'];
        // R: binom.test(9, 10)
        self::assertSame(['setup' => 'A', 'held' => 9, 'runs' => 10], \array_slice($held['setups'][0], 0, 3));
        self::assertEqualsWithDelta(0.5549838830, $held['setups'][0]['ci95'][0], 1e-10);
        self::assertEqualsWithDelta(0.9, $held['setups'][0]['rate'], 1e-15);
    }

    public function testLowerBoundsAreNeverAveragedAndTheTestsAreLeftOutWithTheReason(): void
    {
        $csv = $this->csv("A,1,pull_hot,30,N,exact\nA,2,pull_hot,31,N,exact\nB,1,pull_hot,40,N,exact\nB,2,pull_hot,60,N,at_least\nB,3,pull_hot,60,N,at_least\nC,1,pull_hot,20,N,exact\nC,2,pull_hot,22,N,exact\nC,3,pull_hot,25,N,void\n");
        $pull = ComparisonJudgement::of($csv->records())->toArray()['measures']['pull_hot'];
        [$a, $b, $c] = $pull['setups'];
        self::assertSame([2, 0], [$a['n'], $a['n_at_least']]);
        self::assertSame([3, 2, null, null, null], [$b['n'], $b['n_at_least'], $b['mean'], $b['sd'], $b['ci95']]);
        self::assertStringContainsString('figure.lower_bounds bounds=2 readings=3', Said::of($b['reason']));
        self::assertSame(2, $c['n'], 'A void reading does not count.');
        self::assertNull($pull['overall']['p']);
        self::assertStringContainsString('figure.lower_bounds', Said::of($pull['overall']['reason']));
        self::assertNull($pull['pairs'][0]['p']);
        self::assertStringContainsString('figure.of_setup setup=B', Said::of($pull['pairs'][0]['reason']));
        self::assertNotNull($pull['pairs'][1]['p'], 'A and C can be told apart.');
    }

    public function testOneReadingHasNoSpread(): void
    {
        $pull = ComparisonJudgement::of($this->csv("A,1,lift,0.2,mm,exact\nB,1,lift,0.3,mm,exact\nB,2,lift,0.35,mm,exact\n")->records())->toArray()['measures']['lift'];
        self::assertEqualsWithDelta(0.2, $pull['setups'][0]['mean'], 0);
        self::assertNull($pull['setups'][0]['ci95']);
        self::assertSame('figure.one_reading', Said::of($pull['setups'][0]['reason']));
        self::assertNull($pull['pairs'][0]['difference']);
    }

    public function testEqualReadingsAndASingleSetupHaveNoTest(): void
    {
        $equal = ComparisonJudgement::of($this->csv("A,1,lift,0.2,mm,exact\nA,2,lift,0.2,mm,exact\nB,1,lift,0.2,mm,exact\nB,2,lift,0.2,mm,exact\n")->records())->toArray()['measures']['lift'];
        self::assertNull($equal['overall']['p']);
        self::assertStringContainsString('figure.no_spread', Said::of($equal['pairs'][0]['reason']));
        $alone = ComparisonJudgement::of($this->csv("A,1,lift,0.2,mm,exact\nA,2,lift,0.3,mm,exact\n")->records())->toArray()['measures']['lift'];
        self::assertStringContainsString('figure.one_setup', Said::of($alone['overall']['reason']));
        self::assertSame([], $alone['pairs']);
    }

    public function testASetupWithoutReadingsOfAMeasureIsLeftOutOfIt(): void
    {
        $records = [new SetupRecord('A', [[new Reading(Measure::PullHot, 3)], [new Reading(Measure::PullHot, 4)]]), new SetupRecord('B', [])];
        $result = ComparisonJudgement::of($records)->toArray();
        self::assertSame(['A'], array_column($result['measures']['pull_hot']['setups'], 'setup'));
        self::assertSame([], $result['held']['setups']);
    }

    private function plants(): ReadingsCsv
    {
        $table = '';
        foreach (self::PLANT_GROWTH as $group => $weights) {
            foreach (explode(' ', $weights) as $run => $weight) {
                $table .= "$group,$run,pull_hot,$weight,N,exact\n";
            }
        }

        return $this->csv($table);
    }

    private function csv(string $rows): ReadingsCsv
    {
        $csv = ReadingsCsv::read(explode("\n", "setup,run,measure,value,unit,status\n".$rows));
        self::assertSame([], $csv->faults);

        return $csv;
    }
}
