<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** Welch's one-way test of equal means with unequal spreads (B. L. Welch, Biometrika 38, 1951). */
final readonly class WelchOneWay
{
    private function __construct(
        public float $statistic,
        public float $df1,
        public float $df2,
        public float $p,
    ) {
    }

    /**
     * @param list<Sample> $groups
     *
     * @throws InvalidArgument if there are fewer than two groups, or a group has fewer than two values or no spread
     */
    public static function of(array $groups): self
    {
        $k = \count($groups);
        if ($k < 2) {
            throw InvalidArgument::tooFew($k, 2);
        }
        $weights = [];
        $total = 0.0;
        $weighted = 0.0;
        foreach ($groups as $i => $group) {
            if ($group->n < 2 || null === $group->mean || null === $group->sd) {
                throw InvalidArgument::tooFew($group->n, 2);
            }
            if ($group->sd <= 0) {
                throw InvalidArgument::noSpread($group->n);
            }
            $weights[$i] = $group->n / $group->sd ** 2;
            $total += $weights[$i];
            $weighted += $weights[$i] * $group->mean;
        }
        $centre = $weighted / $total;
        $between = 0.0;
        $imbalance = 0.0;
        foreach ($groups as $i => $group) {
            $between += $weights[$i] * ($group->mean - $centre) ** 2;
            $imbalance += (1 - $weights[$i] / $total) ** 2 / ($group->n - 1);
        }
        $imbalance /= $k * $k - 1;
        $statistic = $between / ($k - 1) / (1 + 2 * ($k - 2) * $imbalance);
        $df2 = 1 / (3 * $imbalance);

        return new self($statistic, $k - 1, $df2, (new FisherF($k - 1, $df2))->upperP($statistic));
    }
}
