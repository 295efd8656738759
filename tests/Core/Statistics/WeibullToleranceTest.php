<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Internal\WeibullPivots;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\WeibullTolerance;

/**
 * Against R 4.2.2: the fit of survival::survreg(Surv(x) ~ 1, dist = "weibull"), and quantiles of (û_p − u_p)/b̂ of 400 000 samples
 * log(rexp(n)) fitted by Newton's method, drawn with other seeds than the table; their own error is about half a per cent.
 */
final class WeibullToleranceTest extends TestCase
{
    private const SIX = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];
    private const NINE = [...self::SIX, 29.5, 32.2, 26.1];

    /** @return iterable<string, array{list<float>, bool, float, float, float}> values, whether a tenth, error, bounds by R */
    public static function bounds(): iterable
    {
        // survreg: intercept 3.4652364997145, scale 0.0724623946808; pivots −1.05884 and 3.53913, −1.672976 and 0.547199
        yield 'a tenth of six' => [self::SIX, true, 0.05, 21.02507, 29.33835];
        yield 'nine tenths of six' => [self::SIX, false, 0.05, 32.65576, 38.35559];
        // survreg: intercept 3.4500149271020, scale 0.0765738892881; pivots −0.916004 and 2.331308, −1.445749 and 5.015239
        yield 'a tenth of nine, which lies in the table' => [self::NINE, true, 0.05, 22.17972, 28.42868];
        yield 'at a level between two of the table' => [self::NINE, true, 0.003, 18.05927, 29.60621];
    }

    /** @param list<float> $values */
    #[DataProvider('bounds')]
    public function testBoundsAreThoseOfThePivot(array $values, bool $tenth, float $error, float $lower, float $upper): void
    {
        $bounds = WeibullTolerance::of($values, $tenth);
        self::assertEqualsWithDelta($lower, $bounds->lower($error), 0.003 * $lower);
        self::assertEqualsWithDelta($upper, $bounds->upper($error), 0.003 * $upper);
    }

    /** No figure of the table is a slip: quantiles rise with their level, and go evenly in 1/n from one n to the next. */
    public function testTheTableOfPivotsIsEven(): void
    {
        foreach ([WeibullPivots::TENTH, WeibullPivots::NINE_TENTHS] as $table) {
            $ns = array_keys($table);
            foreach ($table as $n => $row) {
                self::assertSameSize(WeibullPivots::LEVELS, $row);
                $sorted = $row;
                sort($sorted);
                self::assertSame($sorted, $row, "n = $n");
            }
            for ($i = 1; $i < \count($ns) - 1; ++$i) {
                [$before, $n, $after] = [$ns[$i - 1], $ns[$i], $ns[$i + 1]];
                $share = (1 / $n - 1 / $before) / (1 / $after - 1 / $before);
                foreach (array_keys(WeibullPivots::LEVELS) as $level) {
                    $even = (1 - $share) * $table[$before][$level] + $share * $table[$after][$level];
                    // The tails of the smallest samples bend by more.
                    self::assertEqualsWithDelta(1.0, $table[$n][$level] / $even, match ($n) {
                        4 => 0.4, 5 => 0.18, default => 0.1,
                    }, "n = $n, level ".WeibullPivots::LEVELS[$level]);
                }
            }
        }
    }

    /** @return iterable<array{int, bool, list<float>}> n, whether a tenth, pivots at 0.3, 5, 95 and 99.7 % by R */
    public static function between(): iterable
    {
        yield [18, true, [-1.114146, -0.699648, 1.314289, 2.526435]];
        yield [18, false, [-1.160637, -0.592194, 0.336002, 0.572280]];
        yield [35, true, [-0.852730, -0.533164, 0.831605, 1.509376]];
        yield [35, false, [-0.685936, -0.372941, 0.249776, 0.417735]];
    }

    /** @param list<float> $pivots */
    #[DataProvider('between')]
    public function testWhatLiesBetweenTheTabledNumbersIsDrawnStraight(int $n, bool $tenth, array $pivots): void
    {
        // Values whose fit is known: of equal ones with a least spread the shape is that of the spread.
        $bounds = WeibullTolerance::of(array_fill(0, $n, 1.0), $tenth, \M_PI / sqrt(6));
        $centre = log(-log($tenth ? 0.9 : 0.1));
        foreach ([$bounds->upper(0.003), $bounds->upper(0.05), $bounds->lower(0.05), $bounds->lower(0.003)] as $i => $bound) {
            self::assertEqualsWithDelta($pivots[$i], $centre - log($bound), 0.015 * abs($pivots[$i]) + 0.002);
        }
    }

    public function testThereIsNoBoundOfTooFewOrOfNothing(): void
    {
        foreach ([[30.0, 31.0], [0.0, 30.0, 31.0], [0.0, 0.0, 0.0]] as $values) {
            try {
                WeibullTolerance::of($values, true);
                self::fail('There is no such fit.');
            } catch (InvalidArgument $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }
}
