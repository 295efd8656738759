<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** A small block with an eye that is pulled sideways; small on purpose so that it can be broken off (trade notes, section 7). */
final readonly class PullBlock implements PieceDesign
{
    /** What stays around the eye. */
    private const WALL_MM = 2.5;

    public function key(): string
    {
        return 'pull_block';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.pull_block');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.pull_block');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('along', 20, 8, 80),
            new PieceInput('across', 6, 3, 60),
            new PieceInput('pull_height', 8, 4, 40),
            new PieceInput('eye', 6, 2, 20),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['along' => $along, 'across' => $across, 'pull_height' => $at, 'eye' => $eye] = $values;
        $room = min($along - 2 * self::WALL_MM, 2 * ($at - self::WALL_MM));
        if ($eye > $room) {
            throw BadPiece::tooLarge('eye', max(0.0, $room));
        }
        $top = $at + $eye / 2 + self::WALL_MM;

        return [
            Prism::lying(Prism::rectangle(0, 0, $along, $top), 0, $across, [array_reverse(Prism::circle($along / 2, $at, $eye / 2))]),
            ...(null === $number ? [] : RaisedNumber::on($number, $along / 2, $across / 2, $top, $along, $across)),
        ];
    }
}
