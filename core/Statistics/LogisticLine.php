<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * The line on log-odds that turns what was said into what happened: logit p' = α + β·logit p (Platt 1999), by maximum
 * likelihood with a penalty for leaving α = 0 and β = 1, as few forecasts are no reason to. Newton's steps, halved where one
 * would make it worse.
 */
final readonly class LogisticLine
{
    private const STEPS = 25;
    /** Neither nought nor one has log-odds. */
    private const SUREST = 0.999;

    public function __construct(public float $alpha = 0.0, public float $beta = 1.0)
    {
    }

    /**
     * @param list<Forecast> $forecasts
     * @param float          $holdAlpha penalty ½·h·α²
     * @param float          $holdBeta  penalty ½·h·(β − 1)²
     */
    public static function fit(array $forecasts, float $holdAlpha, float $holdBeta): self
    {
        $points = array_map(static fn (Forecast $each): array => [self::logit($each->said), $each->happened ? 1.0 : 0.0], $forecasts);
        [$alpha, $beta] = [0.0, 1.0];
        $worth = self::worth($points, $alpha, $beta, $holdAlpha, $holdBeta);
        for ($step = 0; $step < self::STEPS; ++$step) {
            [$byAlpha, $byBeta] = self::newton($points, $alpha, $beta, $holdAlpha, $holdBeta);
            $share = 1.0;
            while ($share > 1e-6 && self::worth($points, $alpha + $share * $byAlpha, $beta + $share * $byBeta, $holdAlpha, $holdBeta) < $worth) {
                $share /= 2;
            }
            [$alpha, $beta] = [$alpha + $share * $byAlpha, $beta + $share * $byBeta];
            $now = self::worth($points, $alpha, $beta, $holdAlpha, $holdBeta);
            if (abs($now - $worth) < 1e-10) {
                break;
            }
            $worth = $now;
        }

        return new self($alpha, $beta);
    }

    public function of(float $said): float
    {
        return 1 / (1 + exp(-($this->alpha + $this->beta * self::logit($said))));
    }

    private static function logit(float $p): float
    {
        $p = min(self::SUREST, max(1 - self::SUREST, $p));

        return log($p / (1 - $p));
    }

    /**
     * @param list<array{float, float}> $points
     *
     * @return array{float, float} the step in α and in β
     */
    private static function newton(array $points, float $alpha, float $beta, float $holdAlpha, float $holdBeta): array
    {
        [$slopeA, $slopeB] = [-$holdAlpha * $alpha, -$holdBeta * ($beta - 1)];
        [$aa, $ab, $bb] = [$holdAlpha, 0.0, $holdBeta];
        foreach ($points as [$x, $happened]) {
            $p = 1 / (1 + exp(-($alpha + $beta * $x)));
            $weight = $p * (1 - $p);
            $slopeA += $happened - $p;
            $slopeB += ($happened - $p) * $x;
            $aa += $weight;
            $ab += $weight * $x;
            $bb += $weight * $x * $x;
        }
        $determinant = $aa * $bb - $ab * $ab;

        return [($bb * $slopeA - $ab * $slopeB) / $determinant, ($aa * $slopeB - $ab * $slopeA) / $determinant];
    }

    /** @param list<array{float, float}> $points */
    private static function worth(array $points, float $alpha, float $beta, float $holdAlpha, float $holdBeta): float
    {
        $worth = -($holdAlpha * $alpha ** 2 + $holdBeta * ($beta - 1) ** 2) / 2;
        foreach ($points as [$x, $happened]) {
            $at = $alpha + $beta * $x;
            // log(1 + eᵃ) without overflow.
            $worth += $happened * $at - max(0.0, $at) - log1p(exp(-abs($at)));
        }

        return $worth;
    }
}
