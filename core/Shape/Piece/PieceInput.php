<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** A measure of a test piece, mm, or a count. */
final readonly class PieceInput
{
    public Sentence $words;

    public function __construct(public string $key, public float $usual, public float $least, public float $most, public bool $count = false)
    {
        $this->words = Sentence::of('piece_input.'.$key);
    }
}
