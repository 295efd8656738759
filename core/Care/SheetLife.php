<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Statistics\Normal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * How many prints a sheet is likely good for yet. Lives are taken as lognormal. Practice varies widely (no wear in heavy use,
 * regular replacement), so what the catalogue says is known to a factor of two only; own sheets that were replaced move it, as
 * a normal prior moves with normal readings of known spread (Gelman et al., Bayesian Data Analysis, 2.5, from memory). That
 * this sheet has lasted until now cuts off what lies before.
 */
final readonly class SheetLife
{
    /** Of what is known of the middle of a kind, and of sheets of one kind among each other, on natural logarithms (ours). */
    private const KIND = 0.55;
    private const SHEETS = 0.4;
    /** Of a print that a wipe with alcohol takes of what it wears (ours: practice says that it does, and not how much). */
    private const WIPE = 0.2;
    /** Below it nobody can tell how much is printed in a month, months. */
    private const LEAST_MONTHS = 1.0;

    private function __construct(
        /** More prints: of ten sheets like it one ends before, half of them, and nine. */
        public float $low,
        public float $middle,
        public float $high,
        /** Replaced sheets of this kind that speak for it. */
        public int $own,
    ) {
    }

    /**
     * @param int       $usual    prints that the kind usually lasts
     * @param list<int> $replaced prints that own sheets of the kind had seen when they were replaced
     * @param int       $soFar    that this one has seen
     * @param int       $wipes    with alcohol, of a surface that they wear
     */
    public static function of(int $usual, array $replaced, int $soFar, int $wipes = 0): self
    {
        $soFar += (int) round(self::WIPE * $wipes);
        $logs = array_map(log(...), array_filter($replaced, static fn (int $prints): bool => $prints > 0));
        $n = \count($logs);
        $precision = 1 / self::KIND ** 2 + $n / self::SHEETS ** 2;
        $mean = (log($usual) / self::KIND ** 2 + array_sum($logs) / self::SHEETS ** 2) / $precision;
        $spread = sqrt(1 / $precision + self::SHEETS ** 2);
        $lasted = $soFar > 0 ? Normal::cdf((log($soFar) - $mean) / $spread) : 0.0;
        $left = static fn (float $p): float => max(0.0, exp($mean + $spread * Normal::quantile(min(1 - 1e-12, $lasted + $p * (1 - $lasted)))) - $soFar);

        return new self($left(0.1), $left(0.5), $left(0.9), $n);
    }

    /**
     * The same in months, at the pace of so far.
     *
     * @return array{float, float}|null null: too young, or nothing was printed on it
     */
    public function months(int $prints, float $monthsSoFar): ?array
    {
        return 0 === $prints || $monthsSoFar < self::LEAST_MONTHS ? null : [$this->low * $monthsSoFar / $prints, $this->high * $monthsSoFar / $prints];
    }

    public function sentence(): Sentence
    {
        return Sentence::of(
            $this->own > 0 ? 'sheet_life.with_own' : 'sheet_life.practice',
            low: Quantity::count((int) round($this->low)),
            high: Quantity::count((int) round($this->high)),
            own: Quantity::count($this->own),
        );
    }
}
