<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\MidRanks;

/** Whether some group of grades tends to be higher than others (Kruskal & Wallis 1952), with mid-ranks and the correction for ties. */
final readonly class KruskalWallis
{
    private function __construct(public float $statistic, public int $df, public float $p)
    {
    }

    /**
     * @param list<list<float|int>> $groups
     *
     * @throws InvalidArgument if there are fewer than two groups, one is empty, or all grades are the same
     */
    public static function of(array $groups): self
    {
        $sizes = array_map(\count(...), $groups);
        if (\count($groups) < 2 || \in_array(0, $sizes, true)) {
            throw InvalidArgument::tooFew(\count($groups), 2);
        }
        $ranks = MidRanks::of(array_merge(...$groups));
        $n = array_sum($sizes);
        $untied = 1 - $ranks->ties / ($n ** 3 - $n);
        if ($untied < 1e-12) {
            throw InvalidArgument::noSpread($n);
        }
        $sum = 0.0;
        foreach ($groups as $i => $group) {
            $sum += $ranks->sum($group) ** 2 / $sizes[$i];
        }
        $statistic = (12 / ($n * ($n + 1)) * $sum - 3 * ($n + 1)) / $untied;
        $df = \count($groups) - 1;

        return new self($statistic, $df, (new ChiSquared($df))->upperP($statistic));
    }
}
