<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

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
        foreach ([$a, $b] as $sample) {
            if (null === $sample->mean || null === $sample->sd) {
                throw InvalidArgument::tooFew($sample->n, 2);
            }
        }
        $va = $a->sd ** 2 / $a->n;
        $vb = $b->sd ** 2 / $b->n;
        if ($va + $vb <= 0) {
            throw InvalidArgument::noSpread();
        }
        $difference = $b->mean - $a->mean;
        $df = ($va + $vb) ** 2 / ($va ** 2 / ($a->n - 1) + $vb ** 2 / ($b->n - 1));
        $range = new StudentizedRange($groups, $df);
        $scale = sqrt(($va + $vb) / 2);
        $reach = $range->quantile($confidence) * $scale;

        return new self(
            $difference,
            new Interval($difference - $reach, $difference + $reach),
            $df,
            $range->upperP(abs($difference) / $scale),
        );
    }
}
