<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\BenchPlan;
use Sitzplatz\Test\BenchRun;
use Sitzplatz\Test\PlacedRun;

final class BenchPlanTest extends TestCase
{
    public function testBenchesWorkAtTheSameTime(): void
    {
        $plan = BenchPlan::of(['north' => [self::print('n1', 'P1'), self::print('n2', 'P1')], 'south' => [self::print('s1', 'P2', 100)]], 480);
        self::assertSame([[1, 0.0], [1, 60.0]], self::times($plan->runs['north']));
        self::assertSame([[1, 0.0]], self::times($plan->runs['south']));
        self::assertSame(1, $plan->days);
        self::assertEqualsWithDelta(3 * 15, $plan->handsMinutes, 1e-9, 'Prepare and inspect; nobody stands by while it prints.');
    }

    /** Common practice: a plate lies on one printer. By hand: P1 is on north for 60 minutes, so south begins its P1 run then. */
    public function testAPlateIsOnOnePrinterAtATime(): void
    {
        $plan = BenchPlan::of(['north' => [self::print('n1', 'P1'), self::print('n2', 'P3')], 'south' => [self::print('s1', 'P1'), self::print('s2', 'P2')]], 480);
        self::assertSame([[1, 60.0], [1, 120.0]], self::times($plan->runs['south']), 'The order at a bench stays as it was drawn.');
        self::assertSame(['north', 60.0], [$plan->runs['south'][0]->waitsForPrinterId, $plan->runs['south'][0]->waitsMinutes]);
        self::assertNull($plan->runs['south'][1]->waitsForPrinterId);
        self::assertSame([[1, 0.0], [1, 60.0]], self::times($plan->runs['north']));
    }

    public function testWhatWouldNotEndTodayBeginsTomorrow(): void
    {
        $plan = BenchPlan::of(['north' => [self::print('n1', 'P1', 300), self::print('n2', 'P1', 200), self::print('n3', 'P1', 600), self::print('n4', 'P1', 60)]], 480);
        self::assertSame([[1, 0.0], [2, 0.0], [3, 0.0], [4, 120.0]], self::times($plan->runs['north']), 'A run longer than a day is the first of one.');
        self::assertSame(4, $plan->days);
    }

    public function testNothingWaits(): void
    {
        self::assertSame([0, []], [BenchPlan::of([])->days, BenchPlan::of([])->runs]);
        self::assertSame(['north' => []], BenchPlan::of(['north' => []])->runs);
    }

    /**
     * @param list<PlacedRun> $runs
     *
     * @return list<array{int, float}>
     */
    private static function times(array $runs): array
    {
        return array_map(static fn (PlacedRun $run): array => [$run->day, $run->atMinutes], $runs);
    }

    private static function print(string $id, string $plate, float $minutes = 60): BenchRun
    {
        return new BenchRun($id, $plate, [['phase' => 'prepare', 'minutes' => 5.0], ['phase' => 'print', 'minutes' => $minutes - 15], ['phase' => 'inspect', 'minutes' => 10.0]]);
    }
}
