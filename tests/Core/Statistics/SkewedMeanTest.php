<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\SkewedMean;

/** Against R 4.2.2, by the formulas of Johnson (1978) and Hall (1992) written out there; `AgainstLimitTest` holds whole bounds. */
final class SkewedMeanTest extends TestCase
{
    public function testTheLeastOfThreeBounds(): void
    {
        $values = [35.0, 18.0, 25.0, 33.0, 34.0];
        $sums = [0.0, 0.0, 0.0];
        foreach ($values as $value) {
            foreach ([1, 2, 3] as $i => $power) {
                $sums[$i] += ($value - 35) ** $power;
            }
        }
        $skewness = SkewedMean::skewness(5, ...$sums);
        // R: d <- x - mean(x); 5*sum(d^3)/12/sd(x)^3
        self::assertEqualsWithDelta(-1.054127831393172, $skewness, 1e-12);
        // Student 22.0265, Johnson 21.7695, Hall 0.945782694375808.
        self::assertEqualsWithDelta(0.945782694375808, SkewedMean::lower(5, 29, 7.314369419163897, $skewness, 2.131846786326649), 1e-9);
        // A tail of strong values is the harmless side: there Student's is the least.
        self::assertEqualsWithDelta(22.026547002526474, SkewedMean::lower(5, 29, 7.314369419163897, 0.0, 2.131846786326649), 1e-9);
        self::assertEqualsWithDelta(22.026547002526474, SkewedMean::lower(5, 29, 7.314369419163897, 0.6, 2.131846786326649), 1e-9);
    }

    public function testWithoutSpreadThereIsNoSkewness(): void
    {
        self::assertEqualsWithDelta(0.0, SkewedMean::skewness(3, 0.0, 0.0, 0.0), 0);
    }
}
