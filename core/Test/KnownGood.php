<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * A limit for the hot pull from setups that are known to be good: what the weakest of those pulls in the mean that held in
 * every run, on the same test piece. Whoever is as strong as it may be expected to hold as well, and more is not asked; less
 * would vouch for what nobody saw.
 */
final readonly class KnownGood
{
    /** Fewer runs that all held are no knowledge. */
    private const RUNS = 6;
    private const PULLS = 6;

    private function __construct(
        /** Of the setup it is taken from. */
        public string $setupId,
        public int $runs,
        public float $meanN,
        /** The limit, N, a whole one. */
        public float $limitN,
    ) {
    }

    /**
     * @param list<array{setup: string, runs: int, held: int, pulls: int, mean: float}> $setups of one material on one piece
     *
     * @return self|null null: none is known well enough, or it pulls too little to be a limit
     */
    public static function among(array $setups): ?self
    {
        $weakest = null;
        foreach ($setups as $setup) {
            if ($setup['runs'] < self::RUNS || $setup['held'] !== $setup['runs'] || $setup['pulls'] < self::PULLS) {
                continue;
            }
            if ($setup['mean'] > 0 && (null === $weakest || $setup['mean'] < $weakest->meanN)) {
                $weakest = new self($setup['setup'], $setup['runs'], $setup['mean'], ceil($setup['mean']));
            }
        }

        return $weakest;
    }
}
