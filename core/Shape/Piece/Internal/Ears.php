<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece\Internal;

/**
 * Triangles of a polygon with holes: each hole is joined to the outline by a bridge, then ears are cut (Meisters 1975; the
 * bridges as Eberly, "Triangulation by ear clipping", describes them; from memory).
 */
final class Ears
{
    private const NOTHING = 1e-12;

    /**
     * @param list<array{float, float}>       $outline counter-clockwise
     * @param list<list<array{float, float}>> $holes   clockwise
     *
     * @return list<array{array{float, float}, array{float, float}, array{float, float}}> counter-clockwise
     */
    public static function of(array $outline, array $holes): array
    {
        // The hole that reaches furthest right first, so that no bridge crosses one that is still to come.
        usort($holes, static fn (array $a, array $b): int => $b[self::right($b)][0] <=> $a[self::right($a)][0]);
        $ring = $outline;
        foreach ($holes as $hole) {
            $ring = self::bridged($ring, $hole);
        }

        return self::clipped($ring);
    }

    /**
     * The point furthest right.
     *
     * @param list<array{float, float}> $hole
     */
    private static function right(array $hole): int
    {
        $right = 0;
        foreach ($hole as $i => $point) {
            $right = $point[0] > $hole[$right][0] ? $i : $right;
        }

        return $right;
    }

    /**
     * @param list<array{float, float}> $ring
     * @param list<array{float, float}> $hole
     *
     * @return list<array{float, float}>
     */
    private static function bridged(array $ring, array $hole): array
    {
        $right = self::right($hole);
        $from = $hole[$right];
        $to = 0;
        $nearest = \INF;
        foreach ($ring as $i => $point) {
            $distance = ($point[0] - $from[0]) ** 2 + ($point[1] - $from[1]) ** 2;
            if ($point[0] >= $from[0] && $distance < $nearest && self::sees($from, $point, $ring)) {
                [$to, $nearest] = [$i, $distance];
            }
        }
        $turned = [...\array_slice($hole, $right), ...\array_slice($hole, 0, $right)];

        return [...\array_slice($ring, 0, $to + 1), ...$turned, $from, $ring[$to], ...\array_slice($ring, $to + 1)];
    }

    /**
     * @param array{float, float}       $from
     * @param array{float, float}       $to
     * @param list<array{float, float}> $ring
     */
    private static function sees(array $from, array $to, array $ring): bool
    {
        foreach ($ring as $i => $p) {
            $q = $ring[($i + 1) % \count($ring)];
            $apart = self::turn($from, $to, $p) * self::turn($from, $to, $q) < -self::NOTHING;
            if ($apart && self::turn($p, $q, $from) * self::turn($p, $q, $to) < -self::NOTHING) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<array{float, float}> $ring
     *
     * @return list<array{array{float, float}, array{float, float}, array{float, float}}>
     */
    private static function clipped(array $ring): array
    {
        $triangles = [];
        while (\count($ring) > 3) {
            $ear = self::ear($ring);
            $n = \count($ring);
            $triangles[] = [$ring[($ear + $n - 1) % $n], $ring[$ear], $ring[($ear + 1) % $n]];
            array_splice($ring, $ear, 1);
        }
        \assert(3 === \count($ring));
        $triangles[] = [$ring[0], $ring[1], $ring[2]];

        return $triangles;
    }

    /** @param list<array{float, float}> $ring */
    private static function ear(array $ring): int
    {
        $n = \count($ring);
        $flattest = 0;
        $best = -\INF;
        for ($i = 0; $i < $n; ++$i) {
            [$a, $b, $c] = [$ring[($i + $n - 1) % $n], $ring[$i], $ring[($i + 1) % $n]];
            $turn = self::turn($a, $b, $c);
            if ($turn > $best) {
                [$best, $flattest] = [$turn, $i];
            }
            if ($turn > self::NOTHING && self::empty($a, $b, $c, $ring)) {
                return $i;
            }
        }

        return $flattest;
    }

    /**
     * @param array{float, float}       $a
     * @param array{float, float}       $b
     * @param array{float, float}       $c
     * @param list<array{float, float}> $ring
     */
    private static function empty(array $a, array $b, array $c, array $ring): bool
    {
        foreach ($ring as $p) {
            // The points of a bridge stand twice: a corner of the ear is no point within it.
            if ($p === $a || $p === $b || $p === $c) {
                continue;
            }
            if (self::turn($a, $b, $p) >= -self::NOTHING && self::turn($b, $c, $p) >= -self::NOTHING && self::turn($c, $a, $p) >= -self::NOTHING) {
                return false;
            }
        }

        return true;
    }

    /**
     * Twice the area of a triangle, positive counter-clockwise.
     *
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
