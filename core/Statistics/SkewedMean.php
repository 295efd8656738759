<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * A lower bound of a mean that a tail towards low values does not deceive: the least of Student's, Johnson's and Hall's, all with the
 * same critical t. Student's alone is too high there in 8 to 12 of 100 (docs/statistics.md).
 *
 * Johnson (1978): x̄ + m̂₃ ÷ (6·s²·n) − t·s ÷ √n. Hall (1992): x̄ − g⁻¹(t)·s ÷ √n with g(T) = T + γ̂·T² ÷ (3·√n) + γ̂²·T³ ÷ (27·n) +
 * γ̂ ÷ (6·√n), both from memory; m̂₃ the unbiased third moment, γ̂ = m̂₃ ÷ s³.
 */
final class SkewedMean
{
    /**
     * @param float $skewness γ̂
     * @param float $t        critical value of the t statistic, above 0
     */
    public static function lower(int $n, float $mean, float $sd, float $skewness, float $t): float
    {
        $error = $sd / sqrt($n);

        return min(
            $mean - $t * $error,
            $mean + $skewness * $sd / (6 * $n) - $t * $error,
            $mean - self::hall($n, $skewness, $t) * $error,
        );
    }

    /**
     * γ̂ of values by their sums; 0 where there is no spread.
     *
     * @param int   $n   values, three at least
     * @param float $sum of what they exceed any one number by; likewise of the squares and cubes of that
     */
    public static function skewness(int $n, float $sum, float $squares, float $cubes): float
    {
        $mean = $sum / $n;
        $second = ($squares - $sum * $mean) / ($n - 1);
        $third = $cubes - 3 * $mean * $squares + 2 * $n * $mean ** 3;

        return $second > 0 ? $n * $third / (($n - 1) * ($n - 2)) / $second ** 1.5 : 0.0;
    }

    /** g⁻¹(t). */
    private static function hall(int $n, float $skewness, float $t): float
    {
        $a = $skewness / (3 * sqrt($n));
        if (abs($a) < 1e-9) {
            return $t;
        }
        $cube = 1 + 3 * $a * ($t - $a / 2);

        return (($cube < 0 ? -1 : 1) * abs($cube) ** (1 / 3) - 1) / $a;
    }
}
