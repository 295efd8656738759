<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFile;

/** Small bodies with known measures. A facet is nine numbers. */
trait BuildsMeshes
{
    /**
     * A prism over a polygon that is star-shaped about its centre; inside out for a hole.
     *
     * @param list<array{float|int, float|int}> $polygon counterclockwise
     *
     * @return list<list<float>>
     */
    private static function prism(array $polygon, float $from, float $to, bool $inverted = false): array
    {
        $n = \count($polygon);
        $cx = array_sum(array_column($polygon, 0)) / $n;
        $cy = array_sum(array_column($polygon, 1)) / $n;
        $facets = [];
        for ($i = 0; $i < $n; ++$i) {
            [$x, $y] = $polygon[$i];
            [$u, $v] = $polygon[($i + 1) % $n];
            $facets[] = [$x, $y, $from, $u, $v, $from, $u, $v, $to];
            $facets[] = [$x, $y, $from, $u, $v, $to, $x, $y, $to];
            $facets[] = [$cx, $cy, $from, $u, $v, $from, $x, $y, $from];
            $facets[] = [$cx, $cy, $to, $x, $y, $to, $u, $v, $to];
        }
        $facets = array_map(static fn (array $f): array => array_map(floatval(...), $f), $facets);

        return $inverted ? array_map(
            static fn (array $f): array => [...\array_slice($f, 0, 3), ...\array_slice($f, 6, 3), ...\array_slice($f, 3, 3)],
            $facets,
        ) : $facets;
    }

    /** @return list<list<float>> */
    private static function box(float $x, float $y, float $length, float $width, float $height, bool $inverted = false): array
    {
        return self::prism([[$x, $y], [$x + $length, $y], [$x + $length, $y + $width], [$x, $y + $width]], 0, $height, $inverted);
    }

    /** @return list<array{float, float}> */
    private static function regular(int $n, float $radius, float $cx = 0, float $cy = 0): array
    {
        return array_map(static fn (int $i): array => [$cx + $radius * cos(2 * \M_PI * $i / $n), $cy + $radius * sin(2 * \M_PI * $i / $n)], range(0, $n - 1));
    }

    /** @param list<list<float>> $facets */
    private static function binary(array $facets, string $head = 'made for a test'): string
    {
        $bytes = str_pad($head, 80, "\0").pack('V', \count($facets));
        foreach ($facets as $facet) {
            $bytes .= pack('g12v', 0, 0, 0, ...[...$facet, 0]);
        }

        return $bytes;
    }

    /** @param list<list<float>> $facets */
    private static function ascii(array $facets): string
    {
        $text = "solid made for a test\n";
        foreach ($facets as $f) {
            $text .= vsprintf(
                "  facet normal 0 0 0\n    outer loop\n      vertex %.6e %.6e %.6e\n      vertex %.6e %.6e %.6e\n      vertex %.6e %.6e %.6e\n    endloop\n  endfacet\n",
                $f,
            );
        }

        return $text."endsolid made for a test\n";
    }

    private static function read(string $bytes): PartShape
    {
        return ShapeFile::read(new Bytes($bytes), static fn (): Bytes => new Bytes(''));
    }
}
