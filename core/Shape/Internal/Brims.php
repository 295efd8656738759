<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Outline;

/** What brims around islands cover, each place once: all that lies outside of the islands and no farther from them than the brim is wide. */
final class Brims
{
    /** Rows over the width of a brim, and over all. */
    private const ROWS = 24;
    private const FEWEST_ROWS = 40;
    private const MOST_ROWS = 2000;
    /** Stretches looked at; a fifth of a second of them. */
    private const MOST_STRETCHES = 120_000;

    /**
     * Row by row: each side of an outline covers what is no farther from it than the width (a disc around each corner and a rectangle
     * along each side), each island what it encloses. Holes are not brimmed.
     *
     * @param list<Outline> $islands counterclockwise
     */
    public static function areaMm2(array $islands, float $widthMm): float
    {
        if ([] === $islands || $widthMm <= 0.0) {
            return 0.0;
        }
        $sides = [];
        [$low, $high] = [\INF, -\INF];
        foreach ($islands as $island) {
            $n = \count($island->points);
            foreach ($island->points as $i => $a) {
                $b = $island->points[$i + 1 < $n ? $i + 1 : 0];
                $sides[] = $a->yMm <= $b->yMm ? [$a->xMm, $a->yMm, $b->xMm, $b->yMm] : [$b->xMm, $b->yMm, $a->xMm, $a->yMm];
                $low = min($low, $a->yMm);
                $high = max($high, $a->yMm);
            }
        }
        usort($sides, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $low -= $widthMm;
        $high += $widthMm;
        $share = array_sum(array_map(static fn (array $s): float => $s[3] - $s[1] + 2 * $widthMm, $sides)) / ($high - $low);
        $rows = (int) max(self::FEWEST_ROWS, min(self::MOST_ROWS, self::ROWS * ($high - $low) / $widthMm, self::MOST_STRETCHES / $share));
        $rowMm = ($high - $low) / $rows;
        $area = 0.0;
        $open = [];
        $next = 0;
        for ($row = 0; $row < $rows; ++$row) {
            $y = $low + ($row + 0.5) * $rowMm;
            while (isset($sides[$next]) && $sides[$next][1] - $widthMm <= $y) {
                $open[] = $sides[$next++];
            }
            $stretches = $crossings = [];
            foreach ($open as $i => $side) {
                if ($side[3] + $widthMm <= $y) {
                    unset($open[$i]);
                    continue;
                }
                $stretches[] = self::near($side, $y, $widthMm);
                if ($side[1] <= $y && $y < $side[3]) {
                    $crossings[] = $side[0] + ($side[2] - $side[0]) * ($y - $side[1]) / ($side[3] - $side[1]);
                }
            }
            sort($crossings);
            $inside = [];
            for ($i = 1, $n = \count($crossings); $i < $n; $i += 2) {
                $inside[] = [$crossings[$i - 1], $crossings[$i]];
            }
            $area += self::length([...$stretches, ...$inside]) - self::length($inside);
        }

        return $area * $rowMm;
    }

    /**
     * What of a row is no farther from a side than the width.
     *
     * @param array{float, float, float, float} $side upwards
     *
     * @return array{float, float}
     */
    private static function near(array $side, float $y, float $widthMm): array
    {
        [$x1, $y1, $x2, $y2] = $side;
        $from = \INF;
        $to = -\INF;
        foreach ([[$x1, $y1], [$x2, $y2]] as [$cx, $cy]) {
            $off = $y - $cy;
            if (abs($off) < $widthMm) {
                $half = sqrt($widthMm ** 2 - $off ** 2);
                $from = min($from, $cx - $half);
                $to = max($to, $cx + $half);
            }
        }
        // Along the side: where its two parallels, a width off, cross the row between its ends.
        $length = hypot($x2 - $x1, $y2 - $y1);
        if ($length > 1e-9) {
            $ux = ($x2 - $x1) / $length;
            $uy = ($y2 - $y1) / $length;
            foreach ([-1, 1] as $turn) {
                $px = $x1 - $turn * $uy * $widthMm;
                $py = $y1 + $turn * $ux * $widthMm;
                if ($uy > 1e-9) {
                    $t = ($y - $py) / $uy;
                    if ($t >= 0 && $t <= $length) {
                        $from = min($from, $px + $t * $ux);
                        $to = max($to, $px + $t * $ux);
                    }
                }
            }
        }

        return $from <= $to ? [$from, $to] : [0.0, 0.0];
    }

    /** @param list<array{float, float}> $stretches */
    private static function length(array $stretches): float
    {
        sort($stretches);
        $sum = 0.0;
        $reached = -\INF;
        foreach ($stretches as [$from, $to]) {
            $sum += max(0.0, $to - max($from, $reached));
            $reached = max($reached, $to);
        }

        return $sum;
    }
}
