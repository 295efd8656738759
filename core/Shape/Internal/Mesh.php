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
        [$x, $y, $z] = $this->placed($m, $mmPerUnit);
        $mirrors = self::mirrors($m);
        for ($at = 0, $end = \strlen($this->triangles); $at < $end; $at += 12) {
            $t = unpack('V3', $this->triangles, $at) ?: [];
            // A mirrored body keeps its outside outside.
            [$a, $b, $c] = $mirrors ? [$t[1], $t[3], $t[2]] : [$t[1], $t[2], $t[3]];
            $facets->add($x[$a], $y[$a], $z[$a], $x[$b], $y[$b], $z[$b], $x[$c], $y[$c], $z[$c]);
        }
        foreach ($z as $each) {
            $lowest = $each < $lowest ? $each : $lowest;
        }

        return $lowest;
    }

    /**
     * All vertices where they are placed, once for all triangles that share them.
     *
     * @param list<float> $m
     *
     * @return array{list<float>, list<float>, list<float>}
     */
    private function placed(array $m, float $mmPerUnit): array
    {
        $x = $y = $z = [];
        for ($at = 0, $end = \strlen($this->vertices); $at < $end; $at += 24) {
            $v = unpack('e3', $this->vertices, $at) ?: [];
            if ([] === $m) {
                [$x[], $y[], $z[]] = [$v[1], $v[2], $v[3]];
                continue;
            }
            $x[] = $v[1] * $m[0] + $v[2] * $m[3] + $v[3] * $m[6] + $m[9] * $mmPerUnit;
            $y[] = $v[1] * $m[1] + $v[2] * $m[4] + $v[3] * $m[7] + $m[10] * $mmPerUnit;
            $z[] = $v[1] * $m[2] + $v[2] * $m[5] + $v[3] * $m[8] + $m[11] * $mmPerUnit;
        }

        return [$x, $y, $z];
    }

    /** @param list<float> $m */
    private static function mirrors(array $m): bool
    {
        return [] !== $m && $m[0] * ($m[4] * $m[8] - $m[5] * $m[7]) - $m[1] * ($m[3] * $m[8] - $m[5] * $m[6]) + $m[2] * ($m[3] * $m[7] - $m[4] * $m[6]) < 0;
    }
}
