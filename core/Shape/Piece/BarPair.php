<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** Two bars alike but for their ends: square ones should lift more than round ones (trade notes, section 7). */
final readonly class BarPair implements PieceDesign
{
    private const HALF_ROUND = 30;

    public function key(): string
    {
        return 'bar_pair';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.bar_pair');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.bar_pair');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('length', 80, 20, 400),
            new PieceInput('width', 10, 4, 60),
            new PieceInput('height', 8, 1, 60),
            new PieceInput('apart', 15, 5, 100),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['length' => $length, 'width' => $width, 'height' => $height, 'apart' => $apart] = $values;
        if ($length < 2 * $width) {
            throw BadPiece::tooSmall('length', 2 * $width);
        }
        $y = $width + $apart;
        $middle = $y + $width / 2;
        $round = [
            ...Prism::arc($length - $width / 2, $middle, $width / 2, -\M_PI / 2, \M_PI / 2, self::HALF_ROUND),
            ...Prism::arc($width / 2, $middle, $width / 2, \M_PI / 2, 3 * \M_PI / 2, self::HALF_ROUND),
        ];

        return [
            Prism::standing(Prism::rectangle(0, 0, $length, $width), 0, $height),
            Prism::standing($round, 0, $height),
            ...(null === $number ? [] : [
                ...RaisedNumber::on($number, $length / 2, $width / 2, $height, $length, $width),
                ...RaisedNumber::on($number, $length / 2, $middle, $height, $length - $width, $width),
            ]),
        ];
    }
}
