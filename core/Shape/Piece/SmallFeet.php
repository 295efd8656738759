<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** A plate of small feet: many small parts fail where one part held (trade notes, section 5). */
final readonly class SmallFeet implements PieceDesign
{
    public function key(): string
    {
        return 'small_feet';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.small_feet');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.small_feet');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('foot', 6, 2, 40),
            new PieceInput('height', 8, 1, 80),
            new PieceInput('columns', 6, 1, 20, true),
            new PieceInput('rows', 6, 1, 20, true),
            new PieceInput('pitch', 30, 4, 100),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['foot' => $foot, 'height' => $height, 'columns' => $columns, 'rows' => $rows, 'pitch' => $pitch] = $values;
        if ($pitch < 1.2 * $foot) {
            throw BadPiece::tooSmall('pitch', 1.2 * $foot);
        }
        $solids = [];
        for ($i = 0; $i < (int) $columns * (int) $rows; ++$i) {
            [$x, $y] = [$foot / 2 + ($i % (int) $columns) * $pitch, $foot / 2 + intdiv($i, (int) $columns) * $pitch];
            $solids[] = Prism::standing(Prism::circle($x, $y, $foot / 2), 0, $height);
            array_push($solids, ...(null === $number ? [] : RaisedNumber::on($number + $i, $x, $y, $height, 0.8 * $foot, 0.8 * $foot)));
        }

        return $solids;
    }
}
