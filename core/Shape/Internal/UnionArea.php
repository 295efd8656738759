<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Outline;

/** The area that outlines cover where they run into each other, each place once. */
final class UnionArea
{
    /** Rows that the area is measured by; it comes out within a thousandth. */
    private const ROWS = 4000;
    private const FEWEST_ROWS = 100;
    /** Crossings looked at; a second of them. */
    private const MOST_CROSSINGS = 800_000;

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
        $edges = self::edges($outlines);
        if ([] === $edges) {
            return null;
        }
        $low = $edges[0][1];
        $high = max(array_column($edges, 3));
        // So many edges cross a level line on the average.
        $across = array_sum(array_map(static fn (array $edge): float => $edge[3] - $edge[1], $edges)) / ($high - $low);
        $rows = (int) max(self::FEWEST_ROWS, min(self::ROWS, self::MOST_CROSSINGS / $across));
        $rowMm = ($high - $low) / $rows;
        $once = $summed = 0.0;
        $open = [];
        $next = 0;
        for ($row = 0; $row < $rows; ++$row) {
            $y = $low + ($row + 0.5) * $rowMm;
            while (isset($edges[$next]) && $edges[$next][1] <= $y) {
                $open[] = $edges[$next++];
            }
            $crossings = [];
            foreach ($open as $i => [$x1, $y1, $x2, $y2, $turn]) {
                if ($y2 <= $y) {
                    unset($open[$i]);
                    continue;
                }
                $crossings[] = [$x1 + ($x2 - $x1) * ($y - $y1) / ($y2 - $y1), $turn];
            }
            sort($crossings);
            $winding = 0;
            foreach ($crossings as $i => [$x, $turn]) {
                $width = ($crossings[$i + 1][0] ?? $x) - $x;
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
     * @return list<array{float, float, float, float, int}> from below upwards, and +1 where the body lies on its right
     */
    private static function edges(array $outlines): array
    {
        $edges = [];
        foreach ($outlines as $outline) {
            $n = \count($outline->points);
            foreach ($outline->points as $i => $a) {
                $b = $outline->points[$i + 1 < $n ? $i + 1 : 0];
                // Upwards the body is on the left of an island's right side.
                $edges[] = $b->yMm > $a->yMm ? [$a->xMm, $a->yMm, $b->xMm, $b->yMm, -1] : [$b->xMm, $b->yMm, $a->xMm, $a->yMm, 1];
            }
        }
        usort($edges, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return $edges;
    }
}
