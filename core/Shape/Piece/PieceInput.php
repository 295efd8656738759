<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/** A measure of a test piece, mm, or a count. */
final readonly class PieceInput
{
    public Phrase $words;

    /** @param Phrase|null $words null: as the pieces that ship call it */
    public function __construct(
        public string $key,
        public float $usual,
        public float $least,
        public float $most,
        public bool $count = false,
        ?Phrase $words = null,
    ) {
        $this->words = $words ?? Sentence::of('piece_input.'.$key);
    }
}
