<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A shim, card or feeler that the nozzle is set nought with, by hand. */
final readonly class FeelerFacts
{
    public function __construct(
        public string $name,
        public float $thicknessMm,
        /** By how much it is squeezed at the drag it is used with; steel: not at all. */
        public float $givesMm = 0.0,
        /** How it drags when nought is right, in the shop's words. */
        public string $drag = '',
    ) {
    }

    /** What is typed as the offset so that the first layer has this gap: nought is where the squeezed feeler fits, mm; below nought: nearer. */
    public function offsetMm(float $gapMm): float
    {
        return $gapMm - ($this->thicknessMm - $this->givesMm);
    }

    public function words(float $gapMm): Sentence
    {
        return Sentence::of(
            '' === $this->drag ? 'heed.feeler_offset' : 'heed.feeler_offset_drag',
            feeler: $this->name,
            drag: $this->drag,
            offset: Quantity::millimetres($this->offsetMm($gapMm), 0.01),
            gap: Quantity::millimetres($gapMm, 0.01),
        );
    }

    /**
     * That whose offset is the smallest: what is least typed is least mistyped.
     *
     * @param list<self> $feelers
     */
    public static function nearest(array $feelers, float $gapMm): ?self
    {
        usort($feelers, static fn (self $a, self $b): int => abs($a->offsetMm($gapMm)) <=> abs($b->offsetMm($gapMm)));

        return $feelers[0] ?? null;
    }
}
