<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Permutation;

final class PermutationTest extends TestCase
{
    /**
     * Darwin's maize, crossed and self-fertilised plants of 15 pots, in eighths of an inch; of the 32 768 ways to swap them
     * within their pots 1726 part them as far (863 one-sided: R. A. Fisher, The Design of Experiments, 1935, §21).
     */
    public function testItIsFishersOwnCount(): void
    {
        $crossed = [188, 96, 168, 176, 153, 172, 177, 163, 146, 173, 186, 168, 177, 184, 96];
        $selfed = [139, 163, 160, 160, 147, 149, 149, 122, 132, 144, 130, 144, 102, 124, 144];
        $test = Permutation::of([self::group($crossed, range(1, 15)), self::group($selfed, range(1, 15))]);

        self::assertTrue($test->exact);
        self::assertSame([32768, 15], [$test->ways, $test->blocks]);
        self::assertEqualsWithDelta(1726 / 32768, $test->p, 1e-12);
        self::assertEqualsWithDelta(2 / 32768, $test->least, 1e-12);
    }

    /**
     * All arrangements of the labels within their blocks, listed and summed in R 4.2.2.
     *
     * @param list<list<array{value: float, block: string}>> $groups
     */
    #[DataProvider('arrangements')]
    public function testItIsAsEnumeratedInR(array $groups, float $p, int $ways, float $least): void
    {
        $test = Permutation::of($groups);

        self::assertTrue($test->exact);
        self::assertSame($ways, $test->ways);
        self::assertEqualsWithDelta($p, $test->p, 1e-12);
        self::assertEqualsWithDelta($least, $test->least, 1e-12);
    }

    /** @return iterable<string, array{list<list<array{value: float, block: string}>>, float, int, float}> */
    public static function arrangements(): iterable
    {
        $three = [self::group([12.1, 13.4, 11.8]), self::group([15.2, 14.1, 16.0]), self::group([12.9, 13.0, 15.5])];
        yield 'three setups, three runs of each' => [$three, 0.0785714285714, 1680, 0.00357142857143];
        yield 'two setups: never below one in ten, as exact Wilcoxon' => [\array_slice($three, 0, 2), 0.1, 20, 0.1];
        yield 'three setups in two visits, unequal numbers' => [
            [
                self::group([21.0, 19.5, 17.8], ['a', 'a', 'b']),
                self::group([24.2, 25.1, 23.0, 22.4], ['a', 'a', 'b', 'b']),
                self::group([20.3, 18.9], ['a', 'b']),
            ],
            0.0111111111111,
            360,
            0.00277777777778,
        ];
        yield 'a visit of one setup alone tells nothing and changes nothing' => [
            [self::group([12.1, 13.4, 11.8, 99.0], ['1', '1', '1', '2']), self::group([15.2, 14.1, 16.0], ['1', '1', '1'])],
            0.1,
            20,
            0.1,
        ];
    }

    /** Drawn ways come near the counted ones within the error that is said, and twice the same. */
    public function testADrawnPIsWithinItsError(): void
    {
        // 3 × 8 of R `PlantGrowth` less its last two rows each; 400 000 draws in R.
        $groups = [
            self::group([4.17, 5.58, 5.18, 6.11, 4.50, 4.61, 5.17, 4.53]),
            self::group([4.81, 4.17, 4.41, 3.59, 5.87, 3.83, 6.03, 4.89]),
            self::group([6.31, 5.12, 5.54, 5.50, 5.37, 5.29, 4.92, 6.15]),
        ];
        $test = Permutation::of($groups);

        self::assertFalse($test->exact);
        self::assertNull($test->least);
        self::assertGreaterThan(0.0, $test->error);
        self::assertEqualsWithDelta(0.077475, $test->p, 1.5 * $test->error);
        self::assertSame($test->p, Permutation::of($groups)->p);
    }

    /** Where nothing differs it cries out in one case in twenty at most, also with unequal spreads told by a visit. */
    public function testItNeverCriesOutMoreOftenThanItSays(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(7));
        $cries = 0;
        for ($i = 0; $i < 400; ++$i) {
            $groups = [];
            foreach ([0, 1, 2] as $setup) {
                foreach (['a', 'b'] as $visit) {
                    for ($k = 0; $k < 2; ++$k) {
                        // The whole visit lies higher, by what it is.
                        $groups[$setup][] = ['value' => $random->getInt(0, 4000) / 1000 + ('b' === $visit ? 9.0 : 0.0), 'block' => $visit];
                    }
                }
            }
            $cries += Permutation::of($groups)->p <= 0.05 ? 1 : 0;
        }

        self::assertGreaterThan(4, $cries);
        self::assertLessThanOrEqual(20 + 3 * sqrt(19), $cries);
    }

    public function testWhatCannotBeMovedAboutIsRefused(): void
    {
        foreach ([
            'too_few' => [self::group([1.0, 2.0], ['a', 'a']), self::group([1.0, 2.0], ['b', 'b'])],
            'no_spread' => [self::group([1.0, 1.0]), self::group([1.0, 1.0])],
            'too_many' => [self::group(array_map(floatval(...), range(1, 300))), self::group(array_map(floatval(...), range(1, 300)))],
        ] as $reason => $groups) {
            try {
                Permutation::of($groups);
                self::fail('It has no answer.');
            } catch (InvalidArgument $e) {
                self::assertSame($reason, $e->reason);
            }
        }
    }

    /**
     * @param list<float|int>       $values
     * @param list<int|string>|null $blocks
     *
     * @return list<array{value: float, block: string}>
     */
    private static function group(array $values, ?array $blocks = null): array
    {
        return array_map(static fn (float|int $value, int $i): array => ['value' => (float) $value, 'block' => (string) ($blocks[$i] ?? '')], $values, array_keys($values));
    }
}
