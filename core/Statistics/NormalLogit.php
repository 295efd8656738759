<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SparseCholesky;

/**
 * Logistic regression whose coefficients have normal priors: logit p = offset + Σ x·b, b ~ N(mean, 1/precision). The posterior is
 * Laplace's: its mode by Newton's steps, halved where one would make it worse, and the curvature there (Rasmussen & Williams 2006,
 * § 3.4; Gelman & Hill 2007; from memory). Rows are sparse: most coefficients have no part in most of them.
 */
final readonly class NormalLogit
{
    private const MOST_STEPS = 60;
    /** After a step as short as this the next would be its square, and change nothing that is shown. */
    private const NEAR = 1e-5;
    /** What sums of doubles may be off. */
    private const NOTHING = 1e-9;
    private const LEAST_SHARE = 1e-6;

    /** @param list<float> $coefficients at the mode */
    private function __construct(public array $coefficients, private SparseCholesky $curvature, private float $logPosterior, private float $logPrecisions)
    {
    }

    /**
     * @param list<LogitRow>   $rows
     * @param list<float>      $means
     * @param list<float>      $precisions above nought; in the order that keeps the curvature sparse, those that many rows share last
     * @param list<float>|null $start      from where the mode is looked for; null: the means
     *
     * @throws InvalidArgument if a precision is not above nought
     */
    public static function fit(array $rows, array $means, array $precisions, ?array $start = null): self
    {
        $b = $start ?? $means;
        $worth = self::worth($rows, $means, $precisions, $b);
        for ($step = 0;; ++$step) {
            [$slope, $curvature] = self::slope($rows, $means, $precisions, $b);
            $factor = SparseCholesky::of($curvature);
            $by = $factor->solve($slope);
            $longest = [] === $by ? 0.0 : max(array_map(abs(...), $by));
            for ($share = 1.0;; $share /= 2) {
                $next = [];
                foreach ($b as $k => $each) {
                    $next[] = $each + $share * $by[$k];
                }
                $then = self::worth($rows, $means, $precisions, $next);
                if ($then >= $worth - self::NOTHING || $share < self::LEAST_SHARE) {
                    break;
                }
            }
            [$b, $worth] = [$next, $then];
            if ($longest < self::NEAR || self::MOST_STEPS === $step) {
                return new self($b, $factor, $worth, array_sum(array_map(log(...), $precisions)));
            }
        }
    }

    /**
     * Mean and variance on log-odds, without its offset.
     *
     * @param array<int, float> $x by coefficient
     *
     * @return array{float, float}
     */
    public function at(array $x): array
    {
        $mean = 0.0;
        foreach ($x as $k => $value) {
            $mean += $value * $this->coefficients[$k];
        }

        return [$mean, $this->curvature->inverseForm($x)];
    }

    /**
     * Variances, and covariances of those that ever met in a row, or with what these met.
     *
     * @return list<array<int, float>> of each coefficient: with itself, and with those behind it
     */
    public function covariances(): array
    {
        return $this->curvature->inverse();
    }

    /** log of how likely the answers are under these priors, whatever the coefficients (Laplace's approximation). */
    public function logEvidence(): float
    {
        return $this->logPosterior + ($this->logPrecisions - $this->curvature->logDeterminant()) / 2;
    }

    /**
     * @param list<LogitRow> $rows
     * @param list<float>    $means
     * @param list<float>    $precisions
     * @param list<float>    $b
     *
     * @return array{array<int, float>, list<array<int, float>>} of the log posterior: its slope, and its curvature with the other sign, up to the diagonal
     */
    private static function slope(array $rows, array $means, array $precisions, array $b): array
    {
        $slope = $curvature = [];
        foreach ($b as $k => $each) {
            $slope[] = $precisions[$k] * ($means[$k] - $each);
            $curvature[] = [$k => $precisions[$k]];
        }
        foreach ($rows as $row) {
            $p = 1 / (1 + exp(-$row->at($b)));
            $off = $row->successes - $row->trials * $p;
            $weight = $row->trials * $p * (1 - $p);
            foreach ($row->places as $i => $k) {
                $x = $row->values[$i];
                $slope[$k] += $off * $x;
                $heavy = $weight * $x;
                for ($j = 0; $j <= $i; ++$j) {
                    $with = $row->places[$j];
                    $curvature[$k][$with] = ($curvature[$k][$with] ?? 0.0) + $heavy * $row->values[$j];
                }
            }
        }

        return [$slope, $curvature];
    }

    /**
     * @param list<LogitRow> $rows
     * @param list<float>    $means
     * @param list<float>    $precisions
     * @param list<float>    $b
     *
     * @return float log of likelihood and priors, but for what is the same for all coefficients and precisions
     */
    private static function worth(array $rows, array $means, array $precisions, array $b): float
    {
        $worth = 0.0;
        foreach ($b as $k => $each) {
            $worth -= $precisions[$k] * ($each - $means[$k]) ** 2 / 2;
        }
        foreach ($rows as $row) {
            $at = $row->at($b);
            // log(1 + eᵃ) without overflow.
            $worth += $row->successes * $at - $row->trials * (max(0.0, $at) + log1p(exp(-abs($at))));
        }

        return $worth;
    }
}
