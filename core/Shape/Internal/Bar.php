<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Point;

/** A contact patch seen as a bar: its longest span, and the width of the narrowest strip that it fits between. */
final readonly class Bar
{
    public function __construct(public float $spanMm, public float $widthMm)
    {
    }

    /** @param list<Point> $hull a convex hull, counterclockwise */
    public static function around(array $hull): self
    {
        $span = 0.0;
        $width = \INF;
        $n = \count($hull);
        // Hulls of fine circles have many points; a few hundred of them carry the same answer.
        $stride = max(1, intdiv($n, 400));
        for ($i = 0; $i < $n; $i += $stride) {
            $a = $hull[$i];
            $b = $hull[($i + 1) % $n];
            $length = $a->distanceTo($b);
            $farthest = 0.0;
            foreach ($hull as $p) {
                $span = max($span, $p->distanceTo($a));
                if ($length > 1e-9) {
                    $farthest = max($farthest, (($b->xMm - $a->xMm) * ($p->yMm - $a->yMm) - ($b->yMm - $a->yMm) * ($p->xMm - $a->xMm)) / $length);
                }
            }
            if ($length > 1e-9) {
                $width = min($width, $farthest);
            }
        }

        return new self($span, is_finite($width) ? $width : 0.0);
    }
}
