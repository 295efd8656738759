<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * The W test of Shapiro & Wilk (1965) whether readings scatter as a normal distribution does, with the coefficients and
 * the p-value of Royston (Applied Statistics 44, 1995, algorithm AS R94).
 */
final class ShapiroWilk
{
    public const FEWEST = 3;
    public const MOST = 5000;

    /** @var array<int, list<float>> the positive half, of the outermost reading first, by n */
    private static array $coefficients = [];

    private function __construct(public readonly float $w, public readonly float $p)
    {
    }

    /**
     * @throws InvalidArgument if there are fewer than three or more than 5000 values, or all are the same
     */
    public static function of(Sample $sample): self
    {
        $n = $sample->n;
        if ($n < self::FEWEST || $n > self::MOST) {
            throw InvalidArgument::tooFew($n, self::FEWEST);
        }
        $values = $sample->values;
        sort($values);
        $squares = (float) $sample->sd ** 2 * ($n - 1);
        if ($squares <= 0) {
            throw InvalidArgument::noSpread($n);
        }
        $sum = 0.0;
        foreach (self::$coefficients[$n] ??= self::coefficients($n) as $i => $a) {
            $sum += $a * ($values[$n - 1 - $i] - $values[$i]);
        }
        $w = min(1.0, $sum * $sum / $squares);

        return new self($w, self::p($w, $n));
    }

    /** @return list<float> */
    private static function coefficients(int $n): array
    {
        if (3 === $n) {
            return [\M_SQRT1_2];
        }
        $half = intdiv($n, 2);
        $m = [];
        for ($i = 0; $i < $half; ++$i) {
            $m[] = -Normal::quantile(($i + 1 - 0.375) / ($n + 0.25));
        }
        $square = 2 * array_sum(array_map(static fn (float $each): float => $each * $each, $m));
        $root = sqrt($square);
        $u = 1 / sqrt($n);
        $first = self::polynomial([-2.706056, 4.434685, -2.071190, -0.147981, 0.221157], $u) * $u + $m[0] / $root;
        if ($n > 5) {
            $second = self::polynomial([-3.582633, 5.682633, -1.752461, -0.293762, 0.042981], $u) * $u + $m[1] / $root;
            $scale = sqrt(($square - 2 * $m[0] ** 2 - 2 * $m[1] ** 2) / (1 - 2 * $first ** 2 - 2 * $second ** 2));
            $known = [$first, $second];
        } else {
            $scale = sqrt(($square - 2 * $m[0] ** 2) / (1 - 2 * $first ** 2));
            $known = [$first];
        }

        return [...$known, ...array_map(static fn (float $each): float => $each / $scale, \array_slice($m, \count($known)))];
    }

    private static function p(float $w, int $n): float
    {
        if (3 === $n) {
            return max(0.0, 6 / \M_PI * (asin(sqrt($w)) - asin(sqrt(0.75))));
        }
        $y = log(1 - $w);
        $ln = log($n);
        if ($n <= 11) {
            $gamma = 0.459 * $n - 2.273;
            if ($y >= $gamma) {
                return 1e-99;
            }
            $y = -log($gamma - $y);
            $mean = self::polynomial([-0.0006714, 0.025054, -0.39978, 0.5440], $n);
            $sd = exp(self::polynomial([-0.0020322, 0.062767, -0.77857, 1.3822], $n));
        } else {
            $mean = self::polynomial([0.0038915, -0.083751, -0.31082, -1.5861], $ln);
            $sd = exp(self::polynomial([0.0030302, -0.082676, -0.4803], $ln));
        }

        return 1 - Normal::cdf(($y - $mean) / $sd);
    }

    /** @param non-empty-list<float> $coefficients of the highest power first */
    private static function polynomial(array $coefficients, float $x): float
    {
        $value = 0.0;
        foreach ($coefficients as $coefficient) {
            $value = $value * $x + $coefficient;
        }

        return $value;
    }
}
