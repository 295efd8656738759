<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\PaperRuns;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\Words\Said;

final class PaperRunsTest extends TestCase
{
    private const OPEN = [
        ['id' => 'r1', 'setup' => 'A', 'pull' => PullKind::Cold],
        ['id' => 'r2', 'setup' => 'A', 'pull' => PullKind::Hot],
        ['id' => 'r3', 'setup' => 'B', 'pull' => PullKind::Hot],
        ['id' => 'r4', 'setup' => 'A', 'pull' => PullKind::Hot],
    ];

    public function testARunTakesTheNextOpenOneWithItsPull(): void
    {
        $paper = self::assign("A,7,pull_hot,31,N,exact\nA,7,held,1,,exact\nA,8,pull_cold,4,N,exact\nB,1,held,0,,exact\n");
        self::assertSame([], $paper->faults);
        self::assertSame(['r2', 'r1', 'r3'], array_keys($paper->runs));
        self::assertSame([Measure::PullHot, Measure::Held], self::measures($paper->runs['r2']['readings']));
        self::assertFalse($paper->runs['r2']['void']);
    }

    public function testRowsWithoutARunFillUpMeasureByMeasure(): void
    {
        $paper = self::assign("A,,pull_hot,31,N,exact\nA,,pull_hot,32,N,exact\nA,,held,1,,exact\nA,,held,1,,exact\nA,,held,0,,exact\n");
        self::assertSame([], $paper->faults);
        self::assertSame([Measure::Held], self::measures($paper->runs['r1']['readings']));
        self::assertSame([Measure::PullHot, Measure::Held], self::measures($paper->runs['r2']['readings']));
        self::assertSame([Measure::PullHot, Measure::Held], self::measures($paper->runs['r4']['readings']));
    }

    public function testAWhollyVoidRunIsVoid(): void
    {
        $paper = self::assign("A,1,pull_hot,31,N,void\nA,1,held,1,,void\n");
        self::assertTrue($paper->runs['r1']['void']);
        self::assertSame([], $paper->runs['r1']['readings']);
    }

    public function testFaultsNameTheirLineAndNothingIsTaken(): void
    {
        $unknown = self::assign("A,1,pull_hot,31,N,exact\nZ,1,held,1,,exact\n");
        self::assertSame([3], array_column($unknown->faults, 'line'));
        self::assertStringContainsString('setups=[A; B]', Said::of($unknown->faults[0]['message']));
        self::assertSame([], $unknown->runs);
        $full = self::assign("B,1,pull_hot,31,N,exact\nB,2,pull_hot,32,N,exact\n");
        self::assertSame([3], array_column($full->faults, 'line'));
        self::assertStringContainsString('paper.none_left_hot', Said::of($full->faults[0]['message']));
        $both = self::assign("A,1,pull_hot,31,N,exact\nA,1,pull_cold,3,N,exact\n");
        self::assertStringContainsString('paper.two_pulls', Said::of($both->faults[0]['message']));
        self::assertCount(1, self::assign(str_repeat("B,,held,1,,exact\n", 2))->faults);
    }

    private static function assign(string $rows): PaperRuns
    {
        $csv = ReadingsCsv::read(explode("\n", "setup,run,measure,value,unit,status\n".$rows));
        self::assertSame([], $csv->faults);

        return PaperRuns::assign($csv->rows, self::OPEN, ['A', 'B']);
    }

    /**
     * @param list<Reading> $readings
     *
     * @return list<Measured>
     */
    private static function measures(array $readings): array
    {
        return array_map(static fn (Reading $reading): Measured => $reading->measure, $readings);
    }
}
