<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Outline;

/** The area that outlines cover where they run into each other, each place once. */
final class UnionArea
{
    /** Rows that the area is measured by; it comes out within a thousandth. */
    private const ROWS = 4000;
    /** Crossings looked at, some seconds of them. */
    private const MOST_CROSSINGS = 6_000_000;

    /**
     * By the nonzero rule, row by row. Null where no two islands meet, so that the sum of the outlines is exact.
     *
     * @param list<Outline> $outlines
     */
    public static function mm2(array $outlines): ?float
    {
        $islands = array_values(array_filter($outlines, static fn (Outline $outline): bool => $outline->signedAreaMm2() > 0));
        if (!self::mayMeet($islands)) {
            return null;
        }
        $low = \INF;
        $high = -\INF;
        foreach ($islands as $island) {
            foreach ($island->points as $point) {
                $low = min($low, $point->yMm);
                $high = max($high, $point->yMm);
            }
        }
        $rowMm = ($high - $low) / self::ROWS;
        $crossings = self::crossings($outlines, $low, $rowMm);
        if (null === $crossings) {
            return null;
        }
        $once = $summed = 0.0;
        foreach ($crossings as $row) {
            sort($row);
            $winding = 0;
            foreach ($row as $i => [$x, $turn]) {
                $width = ($row[$i + 1][0] ?? $x) - $x;
                $winding += $turn;
                $once += 0 !== $winding ? $width : 0.0;
                $summed += $winding * $width;
            }
        }

        // What no place is covered twice by is left to the exact sum.
        return $summed - $once <= 1e-3 * $once ? null : $once * $rowMm;
    }

    /** @param list<Outline> $islands */
    private static function mayMeet(array $islands): bool
    {
        $boxes = array_map(static function (Outline $island): array {
            [$minX, $maxX, $minY, $maxY] = [\INF, -\INF, \INF, -\INF];
            foreach ($island->points as $point) {
                [$minX, $maxX] = [min($minX, $point->xMm), max($maxX, $point->xMm)];
                [$minY, $maxY] = [min($minY, $point->yMm), max($maxY, $point->yMm)];
            }

            return [$minX, $maxX, $minY, $maxY];
        }, $islands);
        usort($boxes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($boxes as $i => $box) {
            for ($k = $i + 1; isset($boxes[$k]) && $boxes[$k][0] < $box[1]; ++$k) {
                if ($boxes[$k][2] < $box[3] && $box[2] < $boxes[$k][3]) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param list<Outline> $outlines
     *
     * @return list<list<array{float, int}>>|null by row: where an outline crosses its middle, and whether upwards; null: too many
     */
    private static function crossings(array $outlines, float $low, float $rowMm): ?array
    {
        $rows = array_fill(0, self::ROWS, []);
        $taken = 0;
        foreach ($outlines as $outline) {
            $n = \count($outline->points);
            foreach ($outline->points as $i => $a) {
                $b = $outline->points[$i + 1 < $n ? $i + 1 : 0];
                $up = $b->yMm > $a->yMm;
                [$from, $to] = $up ? [$a, $b] : [$b, $a];
                $first = max(0, (int) ceil(($from->yMm - $low) / $rowMm - 0.5));
                $last = min(self::ROWS - 1, (int) ceil(($to->yMm - $low) / $rowMm - 0.5) - 1);
                $taken += max(0, $last - $first + 1);
                if ($taken > self::MOST_CROSSINGS) {
                    return null;
                }
                for ($row = $first; $row <= $last; ++$row) {
                    $y = $low + ($row + 0.5) * $rowMm;
                    // Upwards the body is on the left of an island's right side.
                    $rows[$row][] = [$from->xMm + ($to->xMm - $from->xMm) * ($y - $from->yMm) / ($to->yMm - $from->yMm), $up ? -1 : 1];
                }
            }
        }

        return $rows;
    }
}
