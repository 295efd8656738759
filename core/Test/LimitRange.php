<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * Between which hot pulls the limit lies, by own runs with the same piece: what pulled so little lifted, what pulled so much
 * never did. Said of readings alone; the sum of warp has no part in it.
 */
final readonly class LimitRange
{
    /** Fewer lift readings, or pulls, of a setup say nothing of it (ours). */
    private const LIFTS = 3;
    private const PULLS = 3;
    /** That nothing lifts is said from here on, as for a setup known to be good. */
    private const LIFTS_OF_NONE = 6;

    private function __construct(
        /** The most, in the mean, that a setup pulled whose parts lifted, N. */
        public float $liftedUpToN,
        /** The least that one pulled whose parts all stayed flat, N, a whole one; a limit here vouches for what was seen. */
        public float $flatFromN,
        /** Setups that lifted, and that stayed flat. */
        public int $lifted,
        public int $flat,
    ) {
    }

    /**
     * @param list<array{runs: int, held: int, pulls: int, mean: float, lifts: int, lifted: int}> $setups of one material on one piece
     *
     * @return self|null null: too few of either, or their pulls do not part them
     */
    public static function among(array $setups): ?self
    {
        $lifted = $flat = [];
        foreach ($setups as $setup) {
            if ($setup['pulls'] < self::PULLS || $setup['lifts'] < self::LIFTS) {
                continue;
            }
            if ($setup['lifted'] > 0 || $setup['held'] < $setup['runs']) {
                $lifted[] = $setup['mean'];
            } elseif ($setup['lifts'] >= self::LIFTS_OF_NONE) {
                $flat[] = $setup['mean'];
            }
        }

        return [] === $lifted || [] === $flat || max($lifted) >= min($flat) ? null : new self(max($lifted), ceil(min($flat)), \count($lifted), \count($flat));
    }
}
