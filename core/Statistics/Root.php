<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** The root of a function that changes sign between two ends: Brent's method (Brent 1973), to full double precision. */
final class Root
{
    /**
     * @param \Closure(float): float $f
     * @param float                  $within share of the root that nobody minds; 0: as near as numbers come
     */
    public static function between(\Closure $f, float $low, float $high, float $within = 0.0): float
    {
        $a = $low;
        $b = $high;
        $fa = $f($a);
        $fb = $f($b);
        $c = $a;
        $fc = $fa;
        $d = $e = $b - $a;
        for ($i = 0; $i < 200; ++$i) {
            if (abs($fc) < abs($fb)) {
                [$a, $b, $c] = [$b, $c, $b];
                [$fa, $fb, $fc] = [$fb, $fc, $fb];
            }
            $tolerance = max(2 * \PHP_FLOAT_EPSILON, $within) * abs($b) + 1e-300;
            $half = 0.5 * ($c - $b);
            if (abs($half) <= $tolerance || 0.0 === $fb) {
                return $b;
            }
            if (abs($e) >= $tolerance && abs($fa) > abs($fb)) {
                $s = $fb / $fa;
                if ($a === $c) {
                    $p = 2 * $half * $s;
                    $q = 1 - $s;
                } else {
                    $q = $fa / $fc;
                    $r = $fb / $fc;
                    $p = $s * (2 * $half * $q * ($q - $r) - ($b - $a) * ($r - 1));
                    $q = ($q - 1) * ($r - 1) * ($s - 1);
                }
                if ($p > 0) {
                    $q = -$q;
                }
                $p = abs($p);
                if (2 * $p < min(3 * $half * $q - abs($tolerance * $q), abs($e * $q))) {
                    $e = $d;
                    $d = $p / $q;
                } else {
                    $d = $e = $half;
                }
            } else {
                $d = $e = $half;
            }
            $a = $b;
            $fa = $fb;
            $b += abs($d) > $tolerance ? $d : ($half > 0 ? $tolerance : -$tolerance);
            $fb = $f($b);
            if (($fb > 0) === ($fc > 0)) {
                $c = $a;
                $fc = $fa;
                $d = $e = $b - $a;
            }
        }

        return $b;
    }

    /**
     * The root of a function that changes sign once over the positive numbers, sought outwards from a guess.
     *
     * @param \Closure(float): float $f
     * @param float                  $within share of the root that nobody minds; 0: as near as numbers come
     */
    public static function near(\Closure $f, float $guess, float $within = 0.0): float
    {
        [$low, $high] = [$guess / 1.1, $guess * 1.1];
        for ($i = 0; $i < 60 && ($f($low) > 0) === ($f($high) > 0); ++$i) {
            [$low, $high] = [$low / 1.5, $high * 1.5];
        }

        return self::between($f, $low, $high, $within);
    }
}
