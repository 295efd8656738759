<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Shape\Piece\Internal\Ears;

/** An outline drawn out straight: closed, as walls and ends share their points. */
final class Prism
{
    /** So many sides make a round (0.2 % short of its area). */
    private const ROUND = 60;

    /**
     * Standing on its outline.
     *
     * @param list<array{float, float}>       $outline counter-clockwise, without crossing itself
     * @param list<list<array{float, float}>> $holes   clockwise, within it and apart from each other
     */
    public static function standing(array $outline, float $fromZ, float $toZ, array $holes = []): Solid
    {
        return self::drawn($outline, $holes, static fn (float $u, float $v, float $w): array => [$u, $v, $w], $fromZ, $toZ);
    }

    /**
     * Lying on its edge: the outline is seen from the side, x along and z up, and drawn out along y.
     *
     * @param list<array{float, float}>       $outline counter-clockwise, without crossing itself
     * @param list<list<array{float, float}>> $holes   clockwise, within it and apart from each other
     */
    public static function lying(array $outline, float $fromY, float $toY, array $holes = []): Solid
    {
        // Turned about x: the width runs backwards, so that inside stays inside.
        return self::drawn($outline, $holes, static fn (float $u, float $v, float $w): array => [$u, -$w, $v], -$toY, -$fromY);
    }

    /** @return list<array{float, float}> counter-clockwise */
    public static function rectangle(float $x, float $y, float $width, float $depth): array
    {
        return [[$x, $y], [$x + $width, $y], [$x + $width, $y + $depth], [$x, $y + $depth]];
    }

    /** @return list<array{float, float}> counter-clockwise */
    public static function circle(float $x, float $y, float $radius): array
    {
        return self::arc($x, $y, $radius, 0.0, 2 * \M_PI * (1 - 1 / self::ROUND), self::ROUND - 1);
    }

    /** @return list<array{float, float}> counter-clockwise, both ends included */
    public static function arc(float $x, float $y, float $radius, float $from, float $to, int $steps): array
    {
        return array_map(
            static fn (int $i): array => [$x + $radius * cos($from + ($to - $from) * $i / $steps), $y + $radius * sin($from + ($to - $from) * $i / $steps)],
            range(0, $steps),
        );
    }

    /**
     * @param list<array{float, float}>                                 $outline
     * @param list<list<array{float, float}>>                           $holes
     * @param \Closure(float, float, float): array{float, float, float} $place
     */
    private static function drawn(array $outline, array $holes, \Closure $place, float $from, float $to): Solid
    {
        $triangles = [];
        foreach (Ears::of($outline, $holes) as [$a, $b, $c]) {
            $triangles[] = [$place($a[0], $a[1], $to), $place($b[0], $b[1], $to), $place($c[0], $c[1], $to)];
            $triangles[] = [$place($a[0], $a[1], $from), $place($c[0], $c[1], $from), $place($b[0], $b[1], $from)];
        }
        foreach ([$outline, ...$holes] as $ring) {
            foreach ($ring as $i => $p) {
                $q = $ring[($i + 1) % \count($ring)];
                $triangles[] = [$place($p[0], $p[1], $from), $place($q[0], $q[1], $from), $place($q[0], $q[1], $to)];
                $triangles[] = [$place($p[0], $p[1], $from), $place($q[0], $q[1], $to), $place($p[0], $p[1], $to)];
            }
        }

        return new Solid($triangles);
    }
}
