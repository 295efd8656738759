<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What holds the plates of a printer by magnetism: how hot it may get, and how hard it holds. Forces are pulled at one corner of
 * a plate with a scale, three times cold before the soak test and three times cold after it.
 */
final readonly class Magnets
{
    /**
     * Of sintered neodymium by the letters behind its number, °C (common practice; the figures are from memory). Polymer-bound
     * sheets have no such letters.
     */
    private const RATED_C = ['UH' => 180.0, 'SH' => 150.0, 'EH' => 200.0, 'H' => 120.0, 'M' => 100.0, '' => 80.0];
    /** What a scale and a hand scatter: as strong as before is at least so much of it (ours). */
    private const AS_STRONG = 0.9;
    /** Between steel and a magnetic sheet, dry (from memory: 0.2 to 0.3); the low end. */
    private const FRICTION = 0.2;

    /**
     * @param list<float> $beforeN none: nobody pulled
     * @param list<float> $afterN  the same after the soak
     */
    public function __construct(
        public string $grade,
        /** As somebody noted it; null: by the grade. */
        public ?float $limitC,
        public ?float $soakC,
        public array $beforeN = [],
        public array $afterN = [],
    ) {
    }

    /** The rated limit: as noted, else by the grade; null: neither is known. */
    public function ratedC(): ?float
    {
        if (null !== $this->limitC || 1 !== preg_match('/^N\d{2}(UH|SH|EH|H|M)?$/i', str_replace(' ', '', $this->grade), $found)) {
            return $this->limitC;
        }

        return self::RATED_C[strtoupper($found[1] ?? '')];
    }

    /** What stands against taking the soak test for passed; null: nothing, or nobody pulled. */
    public function refusesSoak(): ?Sentence
    {
        $before = self::mean($this->beforeN);
        $after = self::mean($this->afterN);

        return null === $this->soakC || null === $before || null === $after || $after >= self::AS_STRONG * $before ? null : Sentence::of(
            'magnets.weaker',
            before: Quantity::newtons($before),
            after: Quantity::newtons($after),
        );
    }

    /** With how much it holds at a corner now, N; null: nobody pulled. */
    public function holdsN(): ?float
    {
        return self::mean($this->afterN) ?? self::mean($this->beforeN);
    }

    /**
     * How hard a bed may sling a plate before it slides, mm/s²: friction of what the magnets press, against the mass. Pulled at a
     * corner a plate turns about the far side, so that all of the force is at least twice that of the corner.
     *
     * @param float $massKg of plate and parts
     */
    public static function slidesFromMmS2(float $cornerN, float $massKg): float
    {
        return 1000 * self::FRICTION * 2 * $cornerN / $massKg;
    }

    /** @param list<float> $forces */
    private static function mean(array $forces): ?float
    {
        return [] === $forces ? null : array_sum($forces) / \count($forces);
    }
}
