<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\GaussLegendre;
use Sitzplatz\Statistics\Internal\NotCrossed;
use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * The joint law of the t statistics of a growing normal sample that is looked at after every reading, and bounds on them
 * that spend a stated error over the looks ({@see ErrorSpending}).
 *
 * With S and Q the sum and the sum of squares of the first k readings less the limit, T = S/√Q and
 * t = T·√((k − 1)/(k − T²)). Under mean 0 the direction of the k readings is uniform on the sphere, so that
 * (1) T/√k = sin ω has the density cos^(k−2) ω, and (2) given T of k + 1 readings, the last reading over the norm is
 * T/(k + 1) + √(k/(k + 1))·√(1 − T²/(k + 1))·sin φ with φ of density cos^(k−2) φ, whence T of the first k. So the chance
 * h(T) that no bound was crossed before follows look by look from one-dimensional integrals. Under a mean of δ sd the
 * density of the path is that under 0 times a factor in the last T alone (T is invariantly sufficient: Hall, Wijsman &
 * Ghosh 1965), which gives bounds under a mean other than 0 and every chance under any δ, without simulation.
 */
final class SequentialT
{
    /** The first look: two readings have next to no spread to go by. */
    public const FIRST_LOOK = 3;

    /** @var array<string, array<int, float>> bounds are the same for every setup of a plan */
    private static array $bounds = [];

    /** @var array<string, array<int, array{NotCrossed, float, float}>> */
    private static array $paths = [];

    /**
     * Upper bounds on t for the looks from the third on, so that under a mean of $standardizedMean sd above the limit the
     * chance ever to reach one is $error. Lower bounds for −$standardizedMean are their negatives.
     *
     * @return array<int, float> t by the number of readings
     *
     * @throws InvalidArgument if there are fewer looks than the first, or the error is not strictly between 0 and 1
     */
    public static function upperBounds(int $most, float $error, float $standardizedMean = 0.0): array
    {
        if ($most < self::FIRST_LOOK) {
            throw InvalidArgument::tooFew($most, self::FIRST_LOOK);
        }
        ($error > 0 && $error < 1) || throw InvalidArgument::probability($error);

        return self::$bounds["$most/$error/$standardizedMean"] ??= self::spend($most, $error, $standardizedMean);
    }

    /**
     * The chances to cross first at each look, under a mean of $delta sd above the limit.
     *
     * @param array<int, float> $upper bounds on t by the number of readings, as of {@see upperBounds}
     * @param array<int, float> $lower empty: none
     *
     * @return array<int, array{above: float, below: float}>
     */
    public static function chances(float $delta, array $upper, array $lower = []): array
    {
        // How paths run between the bounds does not depend on δ; several qualities of one plan are asked in a row.
        $paths = self::$paths[implode(' ', $upper).'/'.implode(' ', $lower)] ??= self::paths($upper, $lower);
        $chances = [];
        foreach ($paths as $k => [$h, $low, $high]) {
            $chances[$k] = [
                'above' => self::tail($h, $k, $high, $delta),
                // The lower tail is the upper one of the mirrored path.
                'below' => -\INF === $low ? 0.0 : self::tail($h->mirrored(), $k, -$low, -$delta),
            ];
        }

        return $chances;
    }

    /**
     * @param array<int, float> $upper
     * @param array<int, float> $lower
     *
     * @return array<int, array{NotCrossed, float, float}> what was not crossed before each look, and its bounds on T
     */
    private static function paths(array $upper, array $lower): array
    {
        $paths = [];
        $h = NotCrossed::always();
        [$low, $high] = [-\INF, \INF];
        foreach ($upper as $k => $bound) {
            $h = [] === $paths ? $h : self::step($h, $k, $low, $high);
            [$low, $high] = [isset($lower[$k]) ? self::sumOverNorm($lower[$k], $k) : -\INF, self::sumOverNorm($bound, $k)];
            $paths[$k] = [$h, $low, $high];
        }

        return $paths;
    }

    /** @return array<int, float> */
    private static function spend(int $most, float $error, float $mean): array
    {
        $bounds = [];
        $h = NotCrossed::always();
        $bound = \INF;
        $spent = 0.0;
        for ($k = self::FIRST_LOOK; $k <= $most; ++$k) {
            if ($k > self::FIRST_LOOK) {
                $h = self::step($h, $k, -\INF, $bound);
            }
            $now = ErrorSpending::spent($error, $k, $most) - $spent;
            $root = sqrt($k);
            $bound = Root::between(static fn (float $t): float => self::tail($h, $k, $t, $mean) - $now, -$root * (1 - 1e-9), $root * (1 - 1e-12));
            $bounds[$k] = $bound * sqrt(($k - 1) / ($k - $bound * $bound));
            $spent += $now;
        }

        return $bounds;
    }

    /** T = S/√Q of a t. */
    private static function sumOverNorm(float $t, int $k): float
    {
        return $t * sqrt($k / ($k - 1 + $t * $t));
    }

    /** h of k readings from that of k − 1, whose T had to stay between the bounds. */
    private static function step(NotCrossed $h, int $k, float $low, float $high): NotCrossed
    {
        $root = sqrt($k - 1);
        // No path from within the bounds reaches further than this in one reading.
        $from = is_finite($low) ? asin(max(-1.0, -sqrt((1 + $low * $low) / $k))) : -\M_PI_2;
        $to = is_finite($high) ? asin(min(1.0, sqrt((1 + $high * $high) / $k))) : \M_PI_2;
        $next = [];
        foreach (NotCrossed::nodes($from, $to) as $omega) {
            $t = sqrt($k) * sin($omega);
            $centre = $t / $k;
            $reach = sqrt(max(0.0, ($k - 1) / $k * (1 - $t * $t / $k)));
            // Between two of these angles the path lies within the bounds throughout, or without.
            $cuts = [-\M_PI_2, \M_PI_2];
            foreach ([$low, $high] as $bound) {
                $under = 1 + $bound * $bound - $t * $t;
                if (is_finite($bound) && $under > 0 && $reach > 1e-12) {
                    foreach ([-1, 1] as $sign) {
                        $sine = (($t + $sign * $bound * sqrt($under)) / (1 + $bound * $bound) - $centre) / $reach;
                        if (abs($sine) < 1) {
                            $cuts[] = asin($sine);
                        }
                    }
                }
            }
            sort($cuts);
            $sum = 0.0;
            for ($c = 1; $c < \count($cuts); ++$c) {
                $half = 0.5 * ($cuts[$c] - $cuts[$c - 1]);
                if ($half < 1e-12) {
                    continue;
                }
                $middle = 0.5 * ($cuts[$c] + $cuts[$c - 1]);
                $x = $centre + $reach * sin($middle);
                $inside = ($t - $x) / sqrt(max(1e-300, 1 - $x * $x));
                if ($inside <= $low || $inside >= $high) {
                    continue;
                }
                foreach (GaussLegendre::points() as [$at, $weight]) {
                    $phi = $middle + $half * $at;
                    $density = cos($phi) ** ($k - 3);
                    if ($density < 1e-14) {
                        continue;
                    }
                    $x = $centre + $reach * sin($phi);
                    $before = ($t - $x) / sqrt(max(1e-300, 1 - $x * $x));
                    $sum += $weight * $half * $density * $h->at($before / $root);
                }
            }
            $next[] = min(1.0, $sum * self::cosineConstant($k - 1));
        }

        return new NotCrossed($from, $to, $next);
    }

    /** P(T ≥ bound and nothing crossed before) under a mean of δ sd. */
    private static function tail(NotCrossed $h, int $k, float $bound, float $delta): float
    {
        $root = sqrt($k);
        $from = asin(max(-1.0, min(1.0, $bound / $root)));
        $sum = 0.0;
        // In pieces, as the density is narrow for many readings.
        $pieces = (int) ceil(($h->to - $from) / 0.35);
        $half = $pieces > 0 ? ($h->to - $from) / $pieces / 2 : 0.0;
        for ($piece = 0; $piece < $pieces; ++$piece) {
            foreach (GaussLegendre::points() as [$at, $weight]) {
                $omega = $from + $half * (2 * $piece + 1 + $at);
                $density = cos($omega) ** ($k - 2);
                if ($density > 1e-16 || abs($delta) > 0) {
                    $sum += $weight * $half * $density * $h->at(sin($omega)) * self::likelihood($k, $root * sin($omega), $delta);
                }
            }
        }

        return $sum * self::cosineConstant($k);
    }

    /** The density of T under a mean of δ sd over that under 0: e^(−kδ²/2) E exp(δ·χ_k·T), about the peak of its integrand. */
    private static function likelihood(int $k, float $t, float $delta): float
    {
        if (abs($delta) <= 0) {
            return 1.0;
        }
        $slope = $delta * $t;
        $peak = 0.5 * ($slope + sqrt($slope * $slope + 4 * ($k - 1)));
        $width = 1 / sqrt(1 + ($k - 1) / ($peak * $peak));
        $log = (1 - $k / 2) * \M_LN2 - SpecialFunctions::lnGamma($k / 2) - 0.5 * $k * $delta * $delta;
        $sum = 0.0;
        for ($i = -16; $i <= 16; ++$i) {
            $r = $peak + 0.5 * $i * $width;
            if ($r > 0) {
                $sum += exp($log + ($k - 1) * log($r) - 0.5 * $r * $r + $slope * $r);
            }
        }

        return 0.5 * $width * $sum;
    }

    /** 1 / ∫ cos^(k−2) over a half turn. */
    private static function cosineConstant(int $k): float
    {
        return exp(SpecialFunctions::lnGamma($k / 2) - SpecialFunctions::lnGamma(($k - 1) / 2)) / sqrt(\M_PI);
    }
}
