<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** A row of thin discs, one for each exposure of a ladder (trade notes, section 12; from memory). */
final readonly class ExposureDiscs implements PieceDesign
{
    public function key(): string
    {
        return 'exposure_discs';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.exposure_discs');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.exposure_discs');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('disc', 10, 4, 40),
            new PieceInput('height', 2, 0.5, 20),
            new PieceInput('discs', 5, 1, 12, true),
            new PieceInput('pitch', 15, 5, 60),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['disc' => $disc, 'height' => $height, 'discs' => $discs, 'pitch' => $pitch] = $values;
        if ($pitch < 1.1 * $disc) {
            throw BadPiece::tooSmall('pitch', 1.1 * $disc);
        }
        $solids = [];
        for ($i = 0; $i < (int) $discs; ++$i) {
            $x = $disc / 2 + $i * $pitch;
            $solids[] = Prism::standing(Prism::circle($x, $disc / 2, $disc / 2), 0, $height);
            array_push($solids, ...(null === $number ? [] : RaisedNumber::on($number + $i, $x, $disc / 2, $height, 0.8 * $disc, 0.8 * $disc)));
        }

        return $solids;
    }
}
