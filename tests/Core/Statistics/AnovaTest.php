<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\FactorialAnova;
use Sitzplatz\Statistics\InvalidArgument;

/** Against R 4.2.2 on datasets that ship with it. */
final class AnovaTest extends TestCase
{
    /** R `warpbreaks`, breaks by wool (A, B) and tension (L, M, H), nine of each in that order. */
    private const BREAKS = [
        26, 30, 54, 25, 70, 52, 51, 26, 67, 18, 21, 29, 17, 12, 18, 35, 30, 36, 36, 21, 24, 18, 10, 43, 28, 15, 26,
        27, 14, 29, 19, 29, 31, 41, 20, 44, 42, 26, 19, 16, 39, 28, 21, 39, 29, 20, 21, 24, 17, 13, 15, 15, 16, 28,
    ];
    /** R `npk`, of each block of four: N, P and the yield. */
    private const NPK = [
        [[0, 1, 49.5], [1, 1, 62.8], [0, 0, 46.8], [1, 0, 57.0]],
        [[1, 0, 59.8], [1, 1, 58.5], [0, 0, 55.5], [0, 1, 56.0]],
        [[0, 1, 62.8], [1, 1, 55.8], [1, 0, 69.5], [0, 0, 55.0]],
        [[1, 0, 62.0], [1, 1, 48.8], [0, 0, 45.5], [0, 1, 44.2]],
        [[1, 1, 52.0], [0, 0, 51.5], [1, 0, 49.8], [0, 1, 48.8]],
        [[1, 0, 57.2], [1, 1, 59.0], [0, 1, 53.2], [0, 0, 56.0]],
    ];

    /**
     * @param list<array{levels: list<string>, block: string, value: float}> $values
     * @param list<array{list<int>, float, float}>                           $lines  factors, F and p
     */
    #[DataProvider('datasets')]
    public function testItIsAsInR(array $values, array $lines, int $errorDf): void
    {
        $anova = FactorialAnova::of($values);

        self::assertSame($errorDf, $anova->errorDf);
        self::assertCount(\count($lines), $anova->lines);
        foreach ($lines as $i => [$factors, $f, $p]) {
            self::assertSame($factors, $anova->lines[$i]->factors);
            self::assertEqualsWithDelta($f, $anova->lines[$i]->statistic, 6e-6);
            self::assertEqualsWithDelta($p, $anova->lines[$i]->p, 6e-6);
        }
    }

    /** @return iterable<string, array{list<array{levels: list<string>, block: string, value: float}>, list<array{list<int>, float, float}>, int}> */
    public static function datasets(): iterable
    {
        yield 'aov(breaks ~ wool * tension, warpbreaks)' => [
            self::breaks([]),
            [[[0], 3.76529, 0.05821298], [[1], 8.49805, 0.00069262], [[0, 1], 4.18907, 0.02104419]],
            48,
        ];
        yield 'warpbreaks without its rows 1, 2 and 30: each term by anova() of the model without and with it' => [
            self::breaks([0, 1, 29]),
            [[[0], 4.89704, 0.0320176], [[1], 10.42343, 0.00019065], [[0, 1], 6.15791, 0.0043262]],
            45,
        ];
        yield 'lm(yield ~ block + N * P, npk)' => [
            self::npk([]),
            [[[0], 9.03910, 0.0088546], [[1], 0.40122, 0.5359994], [[0, 1], 1.01630, 0.3293847], [[], 3.27879, 0.0337147]],
            15,
        ];
        yield 'npk without its rows 1, 6, 11 and 20' => [
            self::npk([0, 5, 10, 19]),
            [[[0], 4.52385, 0.056882], [[1], 0.01071, 0.91944], [[0, 1], 0.43498, 0.52312], [[], 1.74443, 0.20515]],
            11,
        ];
        yield 'the same, N alone along the blocks' => [
            array_map(static fn (array $each): array => ['levels' => [$each['levels'][0]], 'block' => $each['block'], 'value' => $each['value']], self::npk([0, 5, 10, 19])),
            [[[0], 5.17256, 0.040543], [[], 2.04905, 0.13799]],
            13,
        ];
    }

    /** No p is made up where nothing is left to compare with. */
    public function testWhatCannotBeHadIsRefused(): void
    {
        $value = static fn (string $level, float $value, string $block = ''): array => ['levels' => [$level], 'block' => $block, 'value' => $value];
        foreach ([
            'too_few' => [[], [$value('a', 1.0), $value('a', 2.0)], [$value('a', 1.0), $value('b', 2.0)], [$value('a', 1.0, '1'), $value('b', 2.0, '1'), $value('b', 2.0, '2')]],
            'no_spread' => [[$value('a', 1.0), $value('a', 1.0), $value('b', 2.0), $value('b', 2.0)]],
        ] as $reason => $cases) {
            foreach ($cases as $values) {
                try {
                    FactorialAnova::of($values);
                    self::fail('It has no answer.');
                } catch (InvalidArgument $e) {
                    self::assertSame($reason, $e->reason);
                }
            }
        }
    }

    /**
     * @param list<int> $without
     *
     * @return list<array{levels: list<string>, block: string, value: float}>
     */
    private static function breaks(array $without): array
    {
        $values = [];
        foreach (self::BREAKS as $i => $breaks) {
            if (!\in_array($i, $without, true)) {
                $values[] = ['levels' => [$i < 27 ? 'A' : 'B', 'LMH'[intdiv($i, 9) % 3]], 'block' => '', 'value' => (float) $breaks];
            }
        }

        return $values;
    }

    /**
     * @param list<int> $without
     *
     * @return list<array{levels: list<string>, block: string, value: float}>
     */
    private static function npk(array $without): array
    {
        $values = [];
        foreach (self::NPK as $block => $plots) {
            foreach ($plots as $i => [$n, $p, $yield]) {
                if (!\in_array(4 * $block + $i, $without, true)) {
                    $values[] = ['levels' => ["N$n", "P$p"], 'block' => "block $block", 'value' => $yield];
                }
            }
        }

        return $values;
    }
}
