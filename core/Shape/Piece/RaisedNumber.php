<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

/** A number in strokes that stand on a top, each sunk in a little so that a slicer makes one body of all. */
final class RaisedNumber
{
    private const HIGH_MM = 0.6;
    private const SUNK_MM = 0.2;
    /** Of the height of a digit. */
    private const WIDE = 0.55;
    private const STROKE = 0.18;
    private const APART = 0.2;
    /** Which of the strokes top, upper right, lower right, bottom, lower left, upper left, middle a digit has. */
    private const STROKES = ['abcdef', 'bc', 'abged', 'abgcd', 'fgbc', 'afgcd', 'afgedc', 'abc', 'abcdefg', 'abcdfg'];

    /**
     * Around a place, along x; none where it would be too small to be read.
     *
     * @return list<Solid>
     */
    public static function on(int $number, float $x, float $y, float $topZ, float $roomXMm, float $roomYMm): array
    {
        $digits = str_split((string) $number);
        $perHeight = \count($digits) * self::WIDE + (\count($digits) - 1) * self::APART;
        $height = min(0.8 * $roomYMm, 0.8 * $roomXMm / $perHeight, 8.0);
        if ($height < 2.5) {
            return [];
        }
        $solids = [];
        $left = $x - $height * $perHeight / 2;
        foreach ($digits as $i => $digit) {
            array_push($solids, ...self::digit((int) $digit, $left + $i * $height * (self::WIDE + self::APART), $y - $height / 2, $height, $topZ));
        }

        return $solids;
    }

    /** @return list<Solid> */
    private static function digit(int $digit, float $x, float $y, float $height, float $topZ): array
    {
        $wide = self::WIDE * $height;
        $stroke = self::STROKE * $height;
        $half = ($height + $stroke) / 2;
        $places = [
            'a' => [$x, $y + $height - $stroke, $wide, $stroke],
            'b' => [$x + $wide - $stroke, $y + $height - $half, $stroke, $half],
            'c' => [$x + $wide - $stroke, $y, $stroke, $half],
            'd' => [$x, $y, $wide, $stroke],
            'e' => [$x, $y, $stroke, $half],
            'f' => [$x, $y + $height - $half, $stroke, $half],
            'g' => [$x, $y + ($height - $stroke) / 2, $wide, $stroke],
        ];

        return array_map(
            static fn (string $stroke): Solid => Prism::standing(Prism::rectangle(...$places[$stroke]), $topZ - self::SUNK_MM, $topZ + self::HIGH_MM),
            str_split(self::STROKES[$digit]),
        );
    }
}
