<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What the display must show, said together with what the surface then has; the same on every screen. */
final readonly class Dial
{
    /** What lies this near is not told apart at the bench, K. */
    private const SAME_K = 0.5;

    private function __construct(
        public float $displayC,
        /** Null: what lies between sensor and surface is not known. */
        public ?float $surfaceC,
        public bool $measured,
    ) {
    }

    /** @throws BadHeat if a figure cannot be */
    public static function at(float $displayC, PrinterFacts $printer, SideFacts $side, float $roomC): self
    {
        return new self($displayC, SeatStack::of($printer, $side)?->surfaceAt($displayC, $roomC), null !== $side->measured);
    }

    public function words(): Sentence
    {
        return match (true) {
            null === $this->surfaceC => Sentence::of('dial.unknown', display: Quantity::celsius($this->displayC)),
            abs($this->surfaceC - $this->displayC) < self::SAME_K => Sentence::of('dial.same', display: Quantity::celsius($this->displayC)),
            default => Sentence::of('dial.said', display: Quantity::celsius($this->displayC), surface: Quantity::celsius($this->surfaceC, 1)),
        };
    }

    /** @return array{displayC: float, surfaceC: float|null, basis: string, words: Sentence} */
    public function toArray(): array
    {
        return [
            'displayC' => $this->displayC,
            'surfaceC' => $this->surfaceC,
            'basis' => null === $this->surfaceC ? 'unknown' : ($this->measured ? 'measured' : 'modelled'),
            'words' => $this->words(),
        ];
    }
}
