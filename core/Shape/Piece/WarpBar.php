<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** Long, narrow and tall, with one pointed end: the point lifts first (trade notes, section 7). */
final readonly class WarpBar implements PieceDesign
{
    public function key(): string
    {
        return 'warp_bar';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.warp_bar');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.warp_bar');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('length', 100, 30, 400),
            new PieceInput('width', 8, 3, 40),
            new PieceInput('height', 15, 2, 60),
            new PieceInput('point', 15, 2, 100),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['length' => $length, 'width' => $width, 'height' => $height, 'point' => $point] = $values;
        if ($point > $length - $width) {
            throw BadPiece::tooLarge('point', $length - $width);
        }

        return [
            Prism::standing([[0.0, 0.0], [$length - $point, 0.0], [$length, $width / 2], [$length - $point, $width], [0.0, $width]], 0, $height),
            ...(null === $number ? [] : RaisedNumber::on($number, ($length - $point) / 2, $width / 2, $height, $length - $point, $width)),
        ];
    }
}
