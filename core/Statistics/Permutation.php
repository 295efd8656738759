<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * How often chance alone would part the groups as far as they are parted, if the values of each block had fallen on its
 * places in any other way (Fisher 1935, The Design of Experiments, §21; along blocks as they were randomised). Measured by
 * the squares between the groups after the mean of its block is taken off each value. All ways are counted where they are
 * few enough; else a seeded sample of them is drawn, and the observed way counted among it (Phipson & Smyth 2010): 4 999, or of more than
 * 40 values as many as move 200 000 in all (60 values: 3 333), and none where these are fewer than 999 (from 201 values on).
 */
final readonly class Permutation
{
    private const MOST_WAYS = 40_000;
    /** Values that are moved in all, so that nobody waits for it. */
    private const MOVES = 200_000;
    private const DRAWS = 4_999;
    /** Fewer draws say too little. */
    private const FEWEST_DRAWS = 999;
    private const SEED = 1935;
    /** Ways that differ by less than this share are the same but for rounding. */
    private const ALIKE = 1e-9;

    private function __construct(
        public float $p,
        /** Ways that were looked at. */
        public int $ways,
        /** Whether those were all. */
        public bool $exact,
        /** The smallest p that these numbers of values can give; null: the ways were drawn. */
        public ?float $least,
        /** Half of the 95 % interval of a p from drawn ways; 0 where all were counted. */
        public float $error,
        /** Blocks that hold more than one group: those alone tell groups apart. */
        public int $blocks,
    ) {
    }

    /**
     * @param list<list<array{value: float, block: string}>> $groups
     *
     * @throws InvalidArgument if there are fewer than two groups, no block holds two of them, all values are alike, or there
     *                         are too many to be moved about
     */
    public static function of(array $groups): self
    {
        $blocks = [];
        foreach ($groups as $g => $group) {
            foreach ($group as $each) {
                $blocks[$each['block']][] = [$g, $each['value']];
            }
        }
        $blocks = array_values(array_filter($blocks, static fn (array $block): bool => \count(array_unique(array_column($block, 0))) > 1));
        if (\count($groups) < 2 || [] === $blocks) {
            throw InvalidArgument::tooFew(0, 2);
        }
        $sizes = array_fill(0, \count($groups), 0);
        $aligned = [];
        $spread = 0.0;
        foreach ($blocks as $b => $block) {
            $mean = array_sum(array_column($block, 1)) / \count($block);
            foreach ($block as [$g, $value]) {
                ++$sizes[$g];
                $aligned[$b][] = $value - $mean;
                $spread = max($spread, abs($value - $mean));
            }
        }
        if ($spread <= 0) {
            throw InvalidArgument::noSpread((int) array_sum($sizes));
        }
        $places = array_map(static fn (array $block): array => array_column($block, 0), $blocks);
        $seen = self::between($places, $aligned, $sizes);
        $n = array_sum($sizes);

        return self::ways($places) <= self::MOST_WAYS
            ? self::counted($places, $aligned, $sizes, $seen)
            : self::drawn($places, $aligned, $sizes, $seen, (int) min(self::DRAWS, self::MOVES / $n));
    }

    /**
     * @param array<int, array<int, int>>   $places  the group of each place, block by block
     * @param array<int, array<int, float>> $aligned
     * @param array<int, int>               $sizes
     */
    private static function counted(array $places, array $aligned, array $sizes, float $seen): self
    {
        // Ways in which each block can add to the sums of the groups, and then each with each.
        $ways = [array_fill(0, \count($sizes), 0.0)];
        foreach ($places as $b => $groups) {
            $adds = [];
            self::fill($aligned[$b], array_count_values($groups), 0, array_fill(0, \count($sizes), 0.0), $adds);
            $next = [];
            foreach ($ways as $sums) {
                foreach ($adds as $add) {
                    $next[] = array_map(static fn (float $x, float $y): float => $x + $y, $sums, $add);
                }
            }
            $ways = $next;
        }
        $as = $most = 0;
        $top = 0.0;
        foreach ($ways as $sums) {
            $between = self::squares($sums, $sizes);
            $as += $between >= $seen * (1 - self::ALIKE) ? 1 : 0;
            if ($between > $top * (1 + self::ALIKE)) {
                [$top, $most] = [$between, 0];
            }
            $most += $between >= $top * (1 - self::ALIKE) ? 1 : 0;
        }

        return new self($as / \count($ways), \count($ways), true, $most / \count($ways), 0.0, \count($places));
    }

    /**
     * @param array<int, float>             $values of a block
     * @param array<int, int>               $left   places of each group that are still free
     * @param array<int, float>             $sums
     * @param array<int, array<int, float>> $adds
     */
    private static function fill(array $values, array $left, int $i, array $sums, array &$adds): void
    {
        if (!isset($values[$i])) {
            $adds[] = $sums;

            return;
        }
        foreach ($left as $group => $free) {
            if ($free > 0) {
                $with = $sums;
                $with[$group] += $values[$i];
                self::fill($values, array_replace($left, [$group => $free - 1]), $i + 1, array_values($with), $adds);
            }
        }
    }

    /**
     * @param array<int, array<int, int>>   $places
     * @param array<int, array<int, float>> $aligned
     * @param array<int, int>               $sizes
     */
    private static function drawn(array $places, array $aligned, array $sizes, float $seen, int $draws): self
    {
        if ($draws < self::FEWEST_DRAWS) {
            throw InvalidArgument::tooMany((int) array_sum($sizes), intdiv(self::MOVES, self::FEWEST_DRAWS));
        }
        $random = new Randomizer(new Xoshiro256StarStar(self::SEED));
        $as = 1;
        for ($i = 0; $i < $draws; ++$i) {
            $as += self::between($places, array_map(static fn (array $block): array => array_values($random->shuffleArray($block)), $aligned), $sizes)
                >= $seen * (1 - self::ALIKE) ? 1 : 0;
        }
        $p = $as / ($draws + 1);

        return new self($p, $draws, false, null, Normal::quantile(0.975) * sqrt($p * (1 - $p) / $draws), \count($places));
    }

    /** @param array<int, array<int, int>> $places */
    private static function ways(array $places): float
    {
        $ln = 0.0;
        foreach ($places as $groups) {
            $ln += self::lnFactorial(\count($groups));
            foreach (array_count_values($groups) as $times) {
                $ln -= self::lnFactorial($times);
            }
        }

        return exp(min($ln, 700.0));
    }

    private static function lnFactorial(int $n): float
    {
        return SpecialFunctions::lnGamma($n + 1);
    }

    /**
     * @param array<int, array<int, int>>   $places
     * @param array<int, array<int, float>> $aligned
     * @param array<int, int>               $sizes
     */
    private static function between(array $places, array $aligned, array $sizes): float
    {
        $sums = array_fill(0, \count($sizes), 0.0);
        foreach ($places as $b => $groups) {
            foreach ($groups as $i => $group) {
                $sums[$group] += $aligned[$b][$i];
            }
        }

        return self::squares($sums, $sizes);
    }

    /**
     * @param array<int, float> $sums
     * @param array<int, int>   $sizes
     */
    private static function squares(array $sums, array $sizes): float
    {
        $squares = 0.0;
        foreach ($sums as $group => $sum) {
            $squares += $sizes[$group] > 0 ? $sum ** 2 / $sizes[$group] : 0.0;
        }

        return $squares;
    }
}
