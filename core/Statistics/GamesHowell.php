<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\WelchDifference;

/**
 * Games–Howell comparison of one pair out of k setups: unequal spreads and counts, family-wise error by the
 * studentized range (P. A. Games & J. F. Howell, J. Educational Statistics 1, 1976).
 */
final readonly class GamesHowell
{
    private function __construct(
        /** Mean of b minus mean of a. */
        public float $difference,
        public Interval $interval,
        public float $df,
        public float $p,
    ) {
    }

    /**
     * @param int $groups how many setups are compared in all
     *
     * @throws InvalidArgument if a sample has fewer than two values, or neither has any spread
     */
    public static function pair(Sample $a, Sample $b, int $groups, float $confidence = 0.95): self
    {
        $welch = WelchDifference::of($a, $b);
        $range = new StudentizedRange($groups, $welch->df);
        $scale = sqrt($welch->variance / 2);
        $reach = $range->quantile($confidence) * $scale;

        return new self(
            $welch->value,
            new Interval($welch->value - $reach, $welch->value + $reach),
            $welch->df,
            $range->upperP(abs($welch->value) / $scale),
        );
    }
}
