<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

/** A test piece as binary STL. */
final class PieceFile
{
    /** @param list<Solid> $solids */
    public static function stl(array $solids, string $name): string
    {
        $triangles = array_merge(...array_map(static fn (Solid $solid): array => $solid->triangles, $solids));
        // A header that began with "solid" would be taken for the text form.
        $bytes = str_pad('piece_'.substr($name, 0, 74), 80).pack('V', \count($triangles));
        foreach ($triangles as [$a, $b, $c]) {
            $bytes .= pack('g12v', ...self::normal($a, $b, $c), ...$a, ...$b, ...$c, ...[0]);
        }

        return $bytes;
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @param array{float, float, float} $c
     *
     * @return array{float, float, float} of length one
     */
    private static function normal(array $a, array $b, array $c): array
    {
        [$u, $v] = [[$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]], [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]]];
        $n = [$u[1] * $v[2] - $u[2] * $v[1], $u[2] * $v[0] - $u[0] * $v[2], $u[0] * $v[1] - $u[1] * $v[0]];
        $length = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2);

        return $length > 0 ? [$n[0] / $length, $n[1] / $length, $n[2] / $length] : [0.0, 0.0, 0.0];
    }
}
