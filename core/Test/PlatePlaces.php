<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** Where the parts of a full plate stand: rows and columns as even as the plate is, row by row from its front left corner. */
final class PlatePlaces
{
    /**
     * @param int   $parts   at least one
     * @param float $widthMm of the plate
     * @param float $depthMm of the plate
     *
     * @return list<array{place: int, x: float, y: float}> places from 1, as shares of width and depth
     */
    public static function of(int $parts, float $widthMm, float $depthMm): array
    {
        $columns = max(1, (int) round(sqrt($parts * $widthMm / max(1.0, $depthMm))));
        $rows = (int) ceil($parts / $columns);
        $places = [];
        for ($place = 1; $place <= $parts; ++$place) {
            $row = intdiv($place - 1, $columns);
            // The last row may hold fewer, and they are spread over it.
            $inRow = min($columns, $parts - $row * $columns);
            $places[] = ['place' => $place, 'x' => (($place - 1) % $columns + 0.5) / $inRow, 'y' => ($row + 0.5) / $rows];
        }

        return $places;
    }
}
