<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A test piece that cannot be made so. */
final class BadPiece extends Fault
{
    private function __construct(Sentence $sentence, public readonly string $field)
    {
        parent::__construct($sentence);
    }

    /** @param float $least what the other measures leave room for, mm */
    public static function tooSmall(string $field, float $least): self
    {
        return new self(Sentence::of('bad_piece.too_small', least: Quantity::millimetres($least)), $field);
    }

    /** @param float $most what the other measures leave room for, mm */
    public static function tooLarge(string $field, float $most): self
    {
        return new self(Sentence::of('bad_piece.too_large', most: Quantity::millimetres($most)), $field);
    }
}
