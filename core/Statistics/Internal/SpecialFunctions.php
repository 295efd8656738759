<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

/**
 * The few special functions that the distributions are built from, in double precision.
 *
 * @internal
 */
final class SpecialFunctions
{
    private const TINY = 1e-300;
    private const EPSILON = 1e-16;

    /** @var list<array{float, float, float}> a, b and −ln B(a, b) */
    private static array $lastBetas = [];

    /** ln Γ(x) for x > 0: Lanczos approximation, g = 7, nine coefficients (relative error about 1e-15). */
    public static function lnGamma(float $x): float
    {
        if ($x < 0.5) {
            return log(\M_PI / abs(sin(\M_PI * $x))) - self::lnGamma(1.0 - $x);
        }
        $c = [
            0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313,
            -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6,
            1.5056327351493116e-7,
        ];
        $x -= 1.0;
        $sum = $c[0];
        for ($i = 1; $i < 9; ++$i) {
            $sum += $c[$i] / ($x + $i);
        }
        $t = $x + 7.5;

        return 0.5 * log(2 * \M_PI) + ($x + 0.5) * log($t) - $t + log($sum);
    }

    /**
     * Regularised incomplete beta I_x(a, b), by the continued fraction of DLMF 8.17.22 (modified Lentz).
     */
    public static function incompleteBeta(float $x, float $a, float $b): float
    {
        if ($x <= 0.0) {
            return 0.0;
        }
        if ($x >= 1.0) {
            return 1.0;
        }
        if ($x > ($a + 1.0) / ($a + $b + 2.0)) {
            return 1.0 - self::incompleteBeta(1.0 - $x, $b, $a);
        }
        $front = exp(self::lnOneOverBeta($a, $b) + $a * log($x) + $b * log1p(-$x)) / $a;

        $c = 1.0;
        $d = 1.0 - ($a + $b) * $x / ($a + 1.0);
        $d = 1.0 / (abs($d) < self::TINY ? self::TINY : $d);
        $h = $d;
        for ($m = 1; $m < 10000; ++$m) {
            foreach ([
                $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m)),
                -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1)),
            ] as $term) {
                $d = 1.0 + $term * $d;
                $d = 1.0 / (abs($d) < self::TINY ? self::TINY : $d);
                $c = 1.0 + $term / $c;
                $c = abs($c) < self::TINY ? self::TINY : $c;
                $step = $c * $d;
                $h *= $step;
            }
            if (abs($step - 1.0) < self::EPSILON) {
                break;
            }
        }

        return $front * $h;
    }

    /** −ln B(a, b). A quantile asks for the same pair at every step, and from both ends: the last two are kept. */
    public static function lnOneOverBeta(float $a, float $b): float
    {
        foreach (self::$lastBetas as $known) {
            if ($known[0] === $a && $known[1] === $b) {
                return $known[2];
            }
        }
        $value = self::lnGamma($a + $b) - self::lnGamma($a) - self::lnGamma($b);
        self::$lastBetas = [[$a, $b, $value], ...\array_slice(self::$lastBetas, 0, 1)];

        return $value;
    }

    /** Regularised upper incomplete gamma Q(a, x): series below a + 1, continued fraction above (DLMF 8.7.1, 8.9.2). */
    public static function upperIncompleteGamma(float $a, float $x): float
    {
        if ($x <= 0.0) {
            return 1.0;
        }
        $front = exp($a * log($x) - $x - self::lnGamma($a));
        if ($x < $a + 1.0) {
            $term = 1.0 / $a;
            $sum = $term;
            for ($n = 1; $n < 10000 && abs($term) > abs($sum) * self::EPSILON; ++$n) {
                $term *= $x / ($a + $n);
                $sum += $term;
            }

            return 1.0 - $front * $sum;
        }
        $b = $x + 1.0 - $a;
        $c = 1.0 / self::TINY;
        $d = 1.0 / $b;
        $h = $d;
        for ($i = 1; $i < 10000; ++$i) {
            $an = -$i * ($i - $a);
            $b += 2.0;
            $d = $an * $d + $b;
            $d = 1.0 / (abs($d) < self::TINY ? self::TINY : $d);
            $c = $b + $an / $c;
            $c = abs($c) < self::TINY ? self::TINY : $c;
            $step = $d * $c;
            $h *= $step;
            if (abs($step - 1.0) < self::EPSILON) {
                break;
            }
        }

        return $front * $h;
    }

    /** Standard normal lower tail Φ(z), by the rational approximations of W. J. Cody (1969) for erf and erfc. */
    public static function normalCdf(float $z): float
    {
        $x = abs($z) * \M_SQRT1_2;
        if ($x <= 0.46875) {
            $y = $x * $x;
            $erf = $x * ((((0.185777706184603153 * $y + 3.16112374387056560) * $y + 113.864154151050156) * $y + 377.485237685302021) * $y + 3209.37758913846947)
                / (((($y + 23.6012909523441209) * $y + 244.024637934444173) * $y + 1282.61652607737228) * $y + 2844.23683343917062);

            return $z >= 0 ? 0.5 + 0.5 * $erf : 0.5 - 0.5 * $erf;
        }
        if ($x > 26.5) {
            return $z > 0 ? 1.0 : 0.0;
        }
        if ($x <= 4.0) {
            $p = self::polynomial($x, [
                2.15311535474403846e-8, 0.564188496988670089, 8.88314979438837594, 66.1191906371416295,
                298.635138197400131, 881.95222124176909, 1712.04761263407058, 2051.07837782607147,
                1230.33935479799725,
            ]);
            $q = self::polynomial($x, [
                1.0, 15.7449261107098347, 117.693950891312499, 537.181101862009858,
                1621.38957456669019, 3290.79923573345963, 4362.61909014324716, 3439.36767414372164,
                1230.33935480374942,
            ]);
            $tail = exp(-$x * $x) * $p / $q;
        } else {
            $y = 1.0 / ($x * $x);
            $p = self::polynomial($y, [
                0.0163153871373020978, 0.305326634961232344, 0.360344899949804439,
                0.125781726111229246, 0.0160837851487422766, 6.58749161529837803e-4,
            ]);
            $q = self::polynomial($y, [
                1.0, 2.56852019228982242, 1.87295284992346047,
                0.527905102951428412, 0.0605183413124413191, 2.33520497626869185e-3,
            ]);
            $tail = exp(-$x * $x) / $x * (0.564189583547756287 - $y * $p / $q);
        }

        return $z > 0 ? 1.0 - 0.5 * $tail : 0.5 * $tail;
    }

    /**
     * ψ(x), the derivative of ln Γ, for x > 0: by its recurrence up to 6, and its asymptotic series from there (Abramowitz &
     * Stegun 6.3.5, 6.3.18).
     */
    public static function digamma(float $x): float
    {
        $below = 0.0;
        for (; $x < 6; ++$x) {
            $below += 1 / $x;
        }
        $f = 1 / ($x * $x);

        return log($x) - 0.5 / $x - $f * (1 / 12 - $f * (1 / 120 - $f / 252)) - $below;
    }

    /** ψ′(x), for x > 0, likewise (Abramowitz & Stegun 6.4.6, 6.4.12). */
    public static function trigamma(float $x): float
    {
        $below = 0.0;
        for (; $x < 6; ++$x) {
            $below += 1 / ($x * $x);
        }
        $f = 1 / ($x * $x);

        return 1 / $x + $f / 2 + $f / $x * (1 / 6 - $f * (1 / 30 - $f / 42)) + $below;
    }

    /** @param non-empty-list<float> $coefficients of the highest power first */
    private static function polynomial(float $x, array $coefficients): float
    {
        $sum = 0.0;
        foreach ($coefficients as $each) {
            $sum = $sum * $x + $each;
        }

        return $sum;
    }
}
