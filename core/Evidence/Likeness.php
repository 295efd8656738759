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

    /** @param int $differences a bit for each, in the order of the weights */
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
            ($sameSide ? 0 : 1 << 0)
            | ($sameLot ? 0 : 1 << 1)
            | ($likeAir ? 0 : 1 << 2)
            | (!$likeAir || $samePrinter ? 0 : 1 << 3)
            | ($samePrinter && $changedSince ? 1 << 4 : 0)
            | ($sameBedAfter ? 0 : 1 << 5)
            | ($sameNozzle ? 0 : 1 << 6)
            | ($sameGap ? 0 : 1 << 7)
            | ($forUse ? 1 << 8 : 0),
        );
    }

    public function onAnotherSide(): self
    {
        return $this->and('side');
    }

    public function withAnotherLot(): self
    {
        return $this->and('lot');
    }

    public function withAnotherBedAfter(): self
    {
        return $this->and('bed_after');
    }

    public function weight(): float
    {
        $weight = 1.0;
        $bit = 1;
        foreach (self::WEIGHTS as $each) {
            $weight *= 0 === ($this->differences & $bit) ? 1.0 : $each;
            $bit <<= 1;
        }

        return $weight;
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

    private function and(string $difference): self
    {
        return new self($this->differences | (1 << (int) array_search($difference, array_keys(self::WEIGHTS), true)));
    }
}
