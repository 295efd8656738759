<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\MidRanks;

/**
 * Whether one of two groups of grades tends to be higher: the exact permutation distribution of the rank sum with mid-ranks for
 * ties (Wilcoxon 1945; Lehmann 1975), counted grade by grade instead of one arrangement after the other.
 */
final readonly class RankSum
{
    private function __construct(
        /** Chance that a grade of b is higher than one of a, ties half. */
        public float $higher,
        /** Two-sided. */
        public float $p,
    ) {
    }

    /**
     * @param list<int> $a
     * @param list<int> $b
     *
     * @throws InvalidArgument if a group is empty
     */
    public static function of(array $a, array $b): self
    {
        if ([] === $a || [] === $b) {
            throw InvalidArgument::tooFew(0, 1);
        }
        $ranks = MidRanks::of([...$a, ...$b]);
        // Twice the mid-ranks, so that all sums are whole numbers.
        $rank = array_map(static fn (float $each): int => (int) (2 * $each), $ranks->rank);
        $observed = (int) (2 * $ranks->sum($b));
        // Ways to pick so many for b with such a rank sum.
        $ways = [0 => [0 => 1.0]];
        foreach ($ranks->counts as $grade => $count) {
            $next = [];
            foreach ($ways as $picked => $sums) {
                for ($take = 0; $take <= min($count, \count($b) - $picked); ++$take) {
                    $arrangements = self::choose($count, $take);
                    foreach ($sums as $sum => $number) {
                        $to = $sum + $take * $rank[$grade];
                        $next[$picked + $take][$to] = ($next[$picked + $take][$to] ?? 0.0) + $number * $arrangements;
                    }
                }
            }
            $ways = $next;
        }
        $n = \count($a) + \count($b);
        $middle = \count($b) * ($n + 1);
        $total = $extreme = 0.0;
        foreach ($ways[\count($b)] as $sum => $number) {
            $total += $number;
            $extreme += abs($sum - $middle) >= abs($observed - $middle) ? $number : 0.0;
        }

        return new self(($observed / 2 - \count($b) * (\count($b) + 1) / 2) / (\count($a) * \count($b)), min(1.0, $extreme / $total));
    }

    /**
     * The same where there are so many that the rank sum is near a normal one: with the variance of ties and half a step of
     * continuity (Lehmann 1975).
     *
     * @param list<int> $a
     * @param list<int> $b
     *
     * @throws InvalidArgument if a group is empty
     */
    public static function nearly(array $a, array $b): self
    {
        if ([] === $a || [] === $b) {
            throw InvalidArgument::tooFew(0, 1);
        }
        $ranks = MidRanks::of([...$a, ...$b]);
        [$m, $n] = [\count($a), \count($b)];
        $higher = ($ranks->sum($b) - $n * ($n + 1) / 2) / ($m * $n);
        $variance = $m * $n / 12 * ($m + $n + 1 - $ranks->ties / (($m + $n) * ($m + $n - 1)));
        $apart = max(0.0, abs($higher - 0.5) * $m * $n - 0.5);

        return new self($higher, $variance > 0 ? 2 * Normal::cdf(-$apart / sqrt($variance)) : 1.0);
    }

    private static function choose(int $n, int $k): float
    {
        $ways = 1.0;
        for ($i = 1; $i <= $k; ++$i) {
            $ways *= ($n - $k + $i) / $i;
        }

        return $ways;
    }
}
