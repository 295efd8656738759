<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * How much a value changes with each step, alike in several groups that each have a level of their own (analysis of
 * covariance: least squares after the mean of each group is taken off).
 */
final readonly class CommonSlope
{
    private function __construct(public float $slope, public Interval $interval, public int $df, public float $p)
    {
    }

    /**
     * @param list<list<array{float, float}>> $groups step and value
     *
     * @throws InvalidArgument if too few values are left for the error, or steps or values do not differ
     */
    public static function of(array $groups): self
    {
        $n = $used = 0;
        $xx = $xy = $yy = 0.0;
        foreach ($groups as $group) {
            if ([] === $group) {
                continue;
            }
            ++$used;
            $n += \count($group);
            $meanX = array_sum(array_column($group, 0)) / \count($group);
            $meanY = array_sum(array_column($group, 1)) / \count($group);
            foreach ($group as [$x, $y]) {
                $xx += ($x - $meanX) ** 2;
                $xy += ($x - $meanX) * ($y - $meanY);
                $yy += ($y - $meanY) ** 2;
            }
        }
        $df = $n - $used - 1;
        if ($df < 1) {
            throw InvalidArgument::tooFew($n, $used + 2);
        }
        $left = $xx > 0 ? $yy - $xy ** 2 / $xx : 0.0;
        if ($xx <= 0 || $left <= 1e-12 * $yy) {
            throw InvalidArgument::noSpread($n);
        }
        $error = sqrt($left / $df / $xx);
        $slope = $xy / $xx;
        $t = new StudentT($df);
        $reach = $t->quantile(0.975) * $error;

        return new self($slope, new Interval($slope - $reach, $slope + $reach), $df, 2 * $t->cdf(-abs($slope) / $error));
    }
}
