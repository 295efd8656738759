<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\ExactTrend;
use Sitzplatz\Statistics\InvalidArgument;

/**
 * Against R 4.2.2: all tables with the same margins by expand.grid, weighted by prod(choose(n, x)) and summed where
 * sum(x * (0:(k-1))) is as large as seen; of two groups the same as fisher.test(alternative = "greater").
 */
final class ExactTrendTest extends TestCase
{
    /** @param list<array{int, int}> $groups */
    #[DataProvider('tables')]
    public function testItIsAsEnumeratedInR(array $groups, float $p): void
    {
        self::assertEqualsWithDelta($p, ExactTrend::p($groups), 1e-11);
    }

    /** @return iterable<string, array{list<array{int, int}>, float}> */
    public static function tables(): iterable
    {
        yield 'four rungs' => [[[0, 6], [2, 6], [5, 6], [6, 6]], 0.000040863027];
        yield 'three rungs' => [[[1, 5], [3, 5], [4, 5]], 0.061383061383];
        yield 'two groups, as Fisher' => [[[3, 10], [10, 12]], 0.017027863777];
        yield 'nothing failed' => [[[5, 5], [5, 5], [5, 5]], 1.0];
        yield 'the other way round' => [[[14, 14], [3, 14], [0, 14]], 1.0];
    }

    /** Of no difference a test at 5 % cries out in 5 % of cases at most, however few the runs: all 4⁴ tables of 3 runs at one half. */
    public function testItNeverCriesOutMoreOftenThanItSays(): void
    {
        $cries = 0.0;
        for ($i = 0; $i < 4 ** 4; ++$i) {
            $held = [$i % 4, intdiv($i, 4) % 4, intdiv($i, 16) % 4, intdiv($i, 64)];
            $chance = 1.0;
            foreach ($held as $k) {
                $chance *= [1, 3, 3, 1][$k] / 8;
            }
            $cries += ExactTrend::p(array_map(static fn (int $k): array => [$k, 3], $held)) <= 0.05 ? $chance : 0.0;
        }
        self::assertGreaterThan(0.0, $cries);
        self::assertLessThanOrEqual(0.05, $cries);
    }

    /** A ladder of thousands of runs is not counted out, and does not keep anybody waiting. */
    public function testWhatTakesTooLongIsNotCounted(): void
    {
        self::assertNull(ExactTrend::p([[500, 1000], [600, 1000], [700, 1000], [800, 1000]]));
        self::assertNotNull(ExactTrend::p(array_fill(0, 6, [16, 18])), 'Six rungs of a usual plan are.');
    }

    public function testImpossibleCountsAreRefused(): void
    {
        foreach ([[[1, 2]], [[3, 2], [1, 2]]] as $groups) {
            try {
                ExactTrend::p($groups);
                self::fail('There is no such table.');
            } catch (InvalidArgument) {
                self::addToAssertionCount(1);
            }
        }
    }
}
