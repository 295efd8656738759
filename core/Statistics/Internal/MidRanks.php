<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

/** The ranks of values, the smallest first; those that are the same share the middle of theirs. */
final readonly class MidRanks
{
    /**
     * @param array<int|string, float> $rank   by value, the smallest first
     * @param array<int|string, int>   $counts by value, likewise
     */
    private function __construct(
        public array $rank,
        public array $counts,
        /** Σ (t³ − t) over those that are the same. */
        public float $ties,
    ) {
    }

    /** @param list<int|float> $values */
    public static function of(array $values): self
    {
        $counts = [];
        foreach ($values as $value) {
            $counts[(string) $value] = ($counts[(string) $value] ?? 0) + 1;
        }
        uksort($counts, static fn (int|string $a, int|string $b): int => (float) $a <=> (float) $b);
        $rank = [];
        $below = 0;
        $ties = 0.0;
        foreach ($counts as $value => $count) {
            $rank[$value] = $below + ($count + 1) / 2;
            $below += $count;
            $ties += $count ** 3 - $count;
        }

        return new self($rank, $counts, $ties);
    }

    /** @param list<int|float> $values of those that were ranked */
    public function sum(array $values): float
    {
        return (float) array_sum(array_map(fn (int|float $value): float => $this->rank[(string) $value], $values));
    }
}
