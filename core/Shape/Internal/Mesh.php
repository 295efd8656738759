<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;

/** Vertices and triangles of one object, kept packed. */
final class Mesh
{
    private string $vertices = '';
    private string $triangles = '';

    public function vertex(float $x, float $y, float $z): void
    {
        $this->vertices .= pack('e3', $x, $y, $z);
    }

    /** @throws BadShape if the file cannot be read as a part */
    public function triangle(string $a, string $b, string $c): void
    {
        foreach ([$a, $b, $c] as $index) {
            if (!ctype_digit($index) || \strlen($index) > 9 || 24 * ((int) $index + 1) > \strlen($this->vertices)) {
                throw BadShape::badXml('vertex', $index);
            }
        }
        $this->triangles .= pack('V3', (int) $a, (int) $b, (int) $c);
    }

    public function triangles(): int
    {
        return intdiv(\strlen($this->triangles), 12);
    }

    /**
     * @param list<float> $m twelve numbers, row by row, or none; the shift is in the unit of the file
     *
     * @return float its lowest point, mm
     *
     * @throws BadShape if the file cannot be read as a part
     */
    public function into(Facets $facets, array $m, float $mmPerUnit): float
    {
        $lowest = \INF;
        // A mirrored body keeps its outside outside.
        $order = self::mirrors($m) ? [1, 3, 2] : [1, 2, 3];
        for ($at = 0, $end = \strlen($this->triangles); $at < $end; $at += 12) {
            $t = unpack('V3', $this->triangles, $at) ?: [];
            $f = [];
            foreach ($order as $corner) {
                $v = unpack('e3', $this->vertices, 24 * $t[$corner]) ?: [];
                if ([] === $m) {
                    array_push($f, $v[1], $v[2], $v[3]);
                    continue;
                }
                for ($c = 0; $c < 3; ++$c) {
                    $f[] = $v[1] * $m[$c] + $v[2] * $m[3 + $c] + $v[3] * $m[6 + $c] + $m[9 + $c] * $mmPerUnit;
                }
            }
            $facets->add(...$f);
            $lowest = min($lowest, $f[2], $f[5], $f[8]);
        }

        return $lowest;
    }

    /** @param list<float> $m */
    private static function mirrors(array $m): bool
    {
        return [] !== $m && $m[0] * ($m[4] * $m[8] - $m[5] * $m[7]) - $m[1] * ($m[3] * $m[8] - $m[5] * $m[6]) + $m[2] * ($m[3] * $m[7] - $m[4] * $m[6]) < 0;
    }
}
