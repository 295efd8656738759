<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

/** A closed body as triangles, counter-clockwise seen from outside; lengths in mm. */
final readonly class Solid
{
    /** @param list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}> $triangles */
    public function __construct(public array $triangles)
    {
    }

    /** By the sum of the signed tetrahedra to the origin, mm³. */
    public function volumeMm3(): float
    {
        $six = 0.0;
        foreach ($this->triangles as [$a, $b, $c]) {
            $six += $a[0] * ($b[1] * $c[2] - $b[2] * $c[1]) - $a[1] * ($b[0] * $c[2] - $b[2] * $c[0]) + $a[2] * ($b[0] * $c[1] - $b[1] * $c[0]);
        }

        return $six / 6;
    }
}
