<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/**
 * In what an own run was unlike a proposal; material, kind of surface and of agent, and whether and how warm the bed was,
 * are the same in all. A run that is merely like it counts for less, for each difference (the power prior wants the
 * discount stated; the figures are ours). A print for use counts for half a run: its outcome is said in passing, its part is
 * no test piece, and nozzle, gap and cleaning are nobody's care to note (ours).
 */
final readonly class Likeness
{
    private const WEIGHTS = [
        'side' => 0.4, 'lot' => 0.6, 'air' => 0.5, 'printer' => 0.8, 'changed' => 0.5, 'bed_after' => 0.3, 'nozzle' => 0.7, 'gap' => 0.6, 'use' => 0.5,
    ];

    /** Of the weights in their order. */
    private const SIDE = 1 << 0;
    private const LOT = 1 << 1;
    private const AIR = 1 << 2;
    private const PRINTER = 1 << 3;
    private const CHANGED = 1 << 4;
    private const BED_AFTER = 1 << 5;
    private const NOZZLE = 1 << 6;
    private const GAP = 1 << 7;
    private const USE = 1 << 8;

    /** @param int $differences a bit for each */
    private function __construct(private int $differences)
    {
    }

    /**
     * A printer with other air around the part is another printer too, and counted once. What has changed about another
     * printer since says nothing of this one.
     */
    public static function of(
        bool $sameSide = true,
        bool $sameLot = true,
        bool $samePrinter = true,
        bool $likeAir = true,
        bool $sameBedAfter = true,
        bool $sameNozzle = true,
        bool $sameGap = true,
        bool $changedSince = false,
        bool $forUse = false,
    ): self {
        // Asked of every run for every job: bits cost the least.
        return new self(
            ($sameSide ? 0 : self::SIDE)
            | ($sameLot ? 0 : self::LOT)
            | ($likeAir ? 0 : self::AIR)
            | (!$likeAir || $samePrinter ? 0 : self::PRINTER)
            | ($samePrinter && $changedSince ? self::CHANGED : 0)
            | ($sameBedAfter ? 0 : self::BED_AFTER)
            | ($sameNozzle ? 0 : self::NOZZLE)
            | ($sameGap ? 0 : self::GAP)
            | ($forUse ? self::USE : 0),
        );
    }

    public function onAnotherSide(): self
    {
        return new self($this->differences | self::SIDE);
    }

    public function withAnotherLot(): self
    {
        return new self($this->differences | self::LOT);
    }

    public function withAnotherBedAfter(): self
    {
        return new self($this->differences | self::BED_AFTER);
    }

    public function weight(): float
    {
        /** @var array<int, float> $of of what was alike: there are a few dozen of these among thousands */
        static $of = [];

        return $of[$this->differences] ??= self::product($this->differences);
    }

    public function same(): bool
    {
        return 0 === $this->differences;
    }

    /** The same for all that are alike. */
    public function key(): int
    {
        return $this->differences;
    }

    public function words(): Sentence
    {
        $named = $this->named();
        $others = array_values(array_diff($named, ['use']));
        $made = $others === $named ? 'likeness.' : 'likeness.use_';

        return [] === $others ? Sentence::of($made.'same') : Sentence::of($made.'unlike', differences: Listing::of(
            array_map(static fn (string $difference): Sentence => Sentence::of('likeness.'.$difference), $others),
            Joined::Comma,
        ));
    }

    /** @return list<string> keys of the weights, in their order */
    private function named(): array
    {
        return array_values(array_filter(
            array_keys(self::WEIGHTS),
            fn (int $bit): bool => 0 !== ($this->differences & (1 << $bit)),
            \ARRAY_FILTER_USE_KEY,
        ));
    }

    private static function product(int $differences): float
    {
        $weight = 1.0;
        $bit = 1;
        foreach (self::WEIGHTS as $each) {
            $weight *= 0 === ($differences & $bit) ? 1.0 : $each;
            $bit <<= 1;
        }

        return $weight;
    }
}
