<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * Whether groups differ in how often they succeed: all ways in which as many successes could have fallen on groups of these
 * sizes, those that are no likelier than what was seen (Fisher 1934; Freeman & Halton 1951).
 */
final readonly class Fisher
{
    /** So near the chance of what was seen is as likely (as R takes it). */
    private const NEAR = 1e-7;
    /** More ways than these are not looked through. */
    private const MOST_WAYS = 200_000;

    /**
     * The two-sided p value; null: there are too many ways.
     *
     * @param list<array{int, int}> $groups successes and runs of each
     *
     * @throws InvalidArgument if there are fewer than two groups, or one has fewer runs than successes
     */
    public static function p(array $groups): ?float
    {
        if (\count($groups) < 2) {
            throw InvalidArgument::tooFew(\count($groups), 2);
        }
        $successes = $runs = $ways = 1;
        foreach ($groups as [$held, $of]) {
            if ($held < 0 || $held > $of) {
                throw InvalidArgument::counts($held, $of);
            }
            $successes += $held;
            $runs += $of;
        }
        [$successes, $runs] = [$successes - 1, $runs - 1];
        foreach (\array_slice($groups, 0, -1) as [, $of]) {
            $ways *= min($of, $successes) + 1;
        }
        if ($ways > self::MOST_WAYS) {
            return null;
        }
        $ln = SpecialFunctions::lnGamma(...);
        $choose = static fn (int $n, int $k): float => $ln($n + 1) - $ln($k + 1) - $ln($n - $k + 1);
        $all = $choose($runs, $successes);
        $seen = array_sum(array_map(static fn (array $group): float => $choose($group[1], $group[0]), $groups)) - $all;
        $sizes = array_column($groups, 1);
        $p = 0.0;
        self::each($sizes, $successes, -$all, $choose, static function (float $log) use (&$p, $seen): void {
            $p += $log <= $seen + self::NEAR ? exp($log) : 0.0;
        });

        return min(1.0, $p);
    }

    /**
     * @param list<int>                 $sizes
     * @param \Closure(int, int): float $choose
     * @param \Closure(float): void     $take   with the logarithm of the chance of one way
     */
    private static function each(array $sizes, int $left, float $log, \Closure $choose, \Closure $take): void
    {
        $size = array_shift($sizes) ?? 0;
        if ([] === $sizes) {
            if ($left <= $size) {
                $take($log + $choose($size, $left));
            }

            return;
        }
        for ($k = max(0, $left - (int) array_sum($sizes)); $k <= min($size, $left); ++$k) {
            self::each($sizes, $left - $k, $log + $choose($size, $k), $choose, $take);
        }
    }
}
