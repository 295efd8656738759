<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\Outline;

/**
 * How much the contact of a part resists being tipped: second moment of area about its centroid over the distance of the
 * furthest edge, mm³ (for a rectangle b·L²/6 with L along the pull). The peel stress at that edge is F·h over it.
 */
final readonly class SectionModulus
{
    private function __construct(
        /** Pulled along x. */
        public float $alongXMm3,
        public float $alongYMm3,
    ) {
    }

    /** Of all that touches the plate as one body; 0 where nothing does. */
    public static function of(ContactPatch $patch): self
    {
        $area = $sx = $sy = $ixx = $iyy = 0.0;
        [$x0, $x1, $y0, $y1] = [\INF, -\INF, \INF, -\INF];
        foreach ([...$patch->islands, ...$patch->holes] as $outline) {
            [$a, $ax, $ay, $axx, $ayy] = self::moments($outline);
            $area += $a;
            $sx += $ax;
            $sy += $ay;
            $ixx += $axx;
            $iyy += $ayy;
            foreach ($outline->points as $point) {
                [$x0, $x1] = [min($x0, $point->xMm), max($x1, $point->xMm)];
                [$y0, $y1] = [min($y0, $point->yMm), max($y1, $point->yMm)];
            }
        }
        if ($area <= 0.0) {
            return new self(0.0, 0.0);
        }
        [$cx, $cy] = [$sx / $area, $sy / $area];

        return new self(
            ($ixx - $area * $cx ** 2) / max($x1 - $cx, $cx - $x0),
            ($iyy - $area * $cy ** 2) / max($y1 - $cy, $cy - $y0),
        );
    }

    /** @return array{float, float, float, float, float} area, ∫x, ∫y, ∫x², ∫y² over a polygon, by its edges (Green) */
    private static function moments(Outline $outline): array
    {
        $sums = [0.0, 0.0, 0.0, 0.0, 0.0];
        $n = \count($outline->points);
        foreach ($outline->points as $i => $p) {
            $q = $outline->points[($i + 1) % $n];
            $cross = $p->xMm * $q->yMm - $q->xMm * $p->yMm;
            foreach ([
                $cross / 2,
                $cross * ($p->xMm + $q->xMm) / 6,
                $cross * ($p->yMm + $q->yMm) / 6,
                $cross * ($p->xMm ** 2 + $p->xMm * $q->xMm + $q->xMm ** 2) / 12,
                $cross * ($p->yMm ** 2 + $p->yMm * $q->yMm + $q->yMm ** 2) / 12,
            ] as $k => $add) {
                $sums[$k] += $add;
            }
        }

        return $sums;
    }
}
