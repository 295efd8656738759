<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * Whether successes grow along ordered groups: of all ways in which as many successes could have fallen on groups of these
 * sizes, the share of those that lie as far up, or further (the exact conditional form of the trend test of Cochran 1954 and
 * Armitage 1955; of two groups it is Fisher's one-sided test). Valid however few the runs are.
 */
final readonly class ExactTrend
{
    /** Steps of the count; more take longer than anybody waits. */
    private const MOST_STEPS = 1_500_000;

    /**
     * One-sided: small where later groups succeed more often. Groups are a step apart from each other.
     *
     * @param list<array{int, int}> $groups successes and runs of each, in order
     *
     * @return float|null null: there are too many ways to count them out
     *
     * @throws InvalidArgument if there are fewer than two groups, or one has fewer runs than successes
     */
    public static function p(array $groups): ?float
    {
        if (\count($groups) < 2) {
            throw InvalidArgument::tooFew(\count($groups), 2);
        }
        foreach ($groups as [$held, $of]) {
            if ($held < 0 || $held > $of) {
                throw InvalidArgument::counts($held, $of);
            }
        }
        $runs = array_sum(array_column($groups, 1));
        // Successes that grow upwards are failures that grow downwards; whichever are fewer are counted.
        if (2 * array_sum(array_column($groups, 0)) > $runs) {
            $groups = array_map(static fn (array $group): array => [$group[1] - $group[0], $group[1]], array_reverse($groups));
        }

        return self::counted($groups, (int) array_sum(array_column($groups, 0)), (int) $runs);
    }

    /** @param list<array{int, int}> $groups */
    private static function counted(array $groups, int $successes, int $runs): ?float
    {
        $place = $steps = 0;
        // Logarithms of how many ways lead to so many successes at such a sum of places, group after group.
        $ways = [0 => [0 => 0.0]];
        foreach ($groups as $i => [$held, $of]) {
            $place += $i * $held;
            $next = [];
            foreach ($ways as $so => $byPlace) {
                $most = min($of, $successes - $so);
                $steps += ($most + 1) * \count($byPlace);
                if ($steps > self::MOST_STEPS) {
                    return null;
                }
                for ($k = 0; $k <= $most; ++$k) {
                    $choose = self::lnChoose($of, $k);
                    foreach ($byPlace as $at => $ln) {
                        $before = $next[$so + $k][$at + $i * $k] ?? null;
                        $next[$so + $k][$at + $i * $k] = null === $before ? $ln + $choose : self::lnSum($before, $ln + $choose);
                    }
                }
            }
            $ways = $next;
        }
        $p = 0.0;
        $all = self::lnChoose($runs, $successes);
        foreach ($ways[$successes] ?? [] as $at => $ln) {
            $p += $at >= $place ? exp($ln - $all) : 0.0;
        }

        return min(1.0, $p);
    }

    private static function lnChoose(int $n, int $k): float
    {
        return SpecialFunctions::lnGamma($n + 1) - SpecialFunctions::lnGamma($k + 1) - SpecialFunctions::lnGamma($n - $k + 1);
    }

    private static function lnSum(float $a, float $b): float
    {
        return max($a, $b) + log1p(exp(-abs($a - $b)));
    }
}
