<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Shape\Internal\Bar;
use Sitzplatz\Shape\Internal\Brims;

/** What of the part touches the plate. */
final readonly class ContactPatch
{
    /** A corner sharper than this lifts like a square one, degrees (our own choice: square with some allowance). */
    private const SHARP_DEGREES = 110.0;
    /** Sides shorter than this belong to a rounding, mm. */
    private const SHORTEST_SIDE_MM = 2.0;
    /** An end turns round within this length of outline, mm (our own choice, from the 8 mm wide warp bar). */
    private const END_WITHIN_MM = 16.0;
    private const END_TURNS_DEGREES = 150.0;
    private const POINT_TURNS_DEGREES = 105.0;
    /** A brim does not follow what is finer, mm. */
    private const BRIM_WITHIN_MM = 0.05;

    /** Of islands less holes, mm². */
    public float $areaMm2;
    /** Around islands and holes, mm. */
    public float $outlineMm;
    /** @var list<Outline> */
    public array $islands;
    /** @var list<Outline> */
    public array $holes;

    /**
     * @param list<Outline> $outlines
     * @param float|null    $laidDownMm2 area by the plastic that a G-code file lays down, which knows better than its outlines
     */
    public function __construct(array $outlines, ?float $laidDownMm2 = null)
    {
        $area = $length = 0.0;
        $islands = $holes = [];
        foreach ($outlines as $outline) {
            $signed = $outline->signedAreaMm2();
            $area += $signed;
            $length += $outline->lengthMm();
            $signed > 0 ? $islands[] = $outline : $holes[] = $outline;
        }
        $this->areaMm2 = $laidDownMm2 ?? max(0.0, $area);
        $this->outlineMm = $length;
        $this->islands = $islands;
        $this->holes = $holes;
    }

    /** The island with the longest span, as a bar: span and width across it, mm. Zeros without an island. */
    public function bar(): Bar
    {
        $longest = new Bar(0, 0);
        foreach ($this->islands as $island) {
            $bar = Bar::around($island->hull());
            if ($bar->spanMm > $longest->spanMm) {
                $longest = $bar;
            }
        }

        return $longest;
    }

    /**
     * Extent over all islands.
     *
     * @return array{float, float, float, float} from x, from y, to x, to y
     */
    public function extentMm(): array
    {
        $x = $y = [];
        foreach ($this->islands as $island) {
            foreach ($island->points as $point) {
                $x[] = $point->xMm;
                $y[] = $point->yMm;
            }
        }

        return [] === $x || [] === $y ? [0.0, 0.0, 0.0, 0.0] : [min($x), min($y), max($x), max($y)];
    }

    /**
     * What a brim of this width adds, mm²: all that lies no farther from the islands, each place once. For a convex outline
     * Steiner's P·w + π·w². Holes are not brimmed.
     *
     * @throws BadShape if there are more corners than anybody waits for
     */
    public function brimAreaMm2(float $widthMm): float
    {
        return Brims::areaMm2(array_map(static fn (Outline $island): Outline => $island->simplified(self::BRIM_WITHIN_MM), $this->islands), $widthMm);
    }

    /**
     * @return list<Corner> of the islands; holes do not lift
     *
     * @throws BadShape if there are more corners than anybody waits for
     */
    public function sharpCorners(): array
    {
        $corners = [];
        foreach ($this->islands as $island) {
            $points = $island->simplified(0.15)->points;
            $n = \count($points);
            foreach (self::turns($points) as $i => $turn) {
                $interior = 180 - rad2deg($turn);
                $before = $points[$i]->distanceTo($points[($i + $n - 1) % $n]);
                $after = $points[$i]->distanceTo($points[($i + 1) % $n]);
                if ($turn > 0 && $interior <= self::SHARP_DEGREES && min($before, $after) >= self::SHORTEST_SIDE_MM) {
                    $corners[] = new Corner($points[$i], $interior);
                }
            }
        }

        return $corners;
    }

    /**
     * @return list<ThinEnd>
     *
     * @throws BadShape if there are more corners than anybody waits for
     */
    public function thinEnds(): array
    {
        $ends = [];
        foreach ($this->islands as $island) {
            array_push($ends, ...self::endsOf($island->simplified(0.1)->points));
        }

        return $ends;
    }

    /**
     * Where the outline turns round within a short way, with a long way before and after.
     *
     * @param list<Point> $points
     *
     * @return list<ThinEnd>
     */
    private static function endsOf(array $points): array
    {
        $n = \count($points);
        $turns = self::turns($points);
        $sides = [];
        for ($i = 0; $i < $n; ++$i) {
            $sides[$i] = $points[$i]->distanceTo($points[($i + 1) % $n]);
        }
        if (array_sum($sides) < 4 * self::END_WITHIN_MM) {
            return [];
        }
        $ends = [];
        for ($first = 0; $first < $n; ++$first) {
            if ($turns[$first] <= 0.03 || $sides[($first + $n - 1) % $n] < self::END_WITHIN_MM / 2) {
                continue;
            }
            // An end begins after a long side; it is over where the next long side begins.
            $turned = 0.0;
            $way = 0.0;
            for ($step = 0; $step < $n && $way <= self::END_WITHIN_MM; ++$step) {
                $i = ($first + $step) % $n;
                $turned += rad2deg($turns[$i]);
                if ($turned >= (0 === $step ? self::POINT_TURNS_DEGREES : self::END_TURNS_DEGREES) && $sides[$i] >= self::END_WITHIN_MM / 2) {
                    $ends = self::merged($ends, new ThinEnd(
                        new Point(($points[$first]->xMm + $points[$i]->xMm) / 2, ($points[$first]->yMm + $points[$i]->yMm) / 2),
                        $points[$first]->distanceTo($points[$i]),
                    ));
                    break;
                }
                $way += $sides[$i];
            }
        }

        return $ends;
    }

    /**
     * One end may be met from several corners: the narrowest stays.
     *
     * @param list<ThinEnd> $ends
     *
     * @return list<ThinEnd>
     */
    private static function merged(array $ends, ThinEnd $new): array
    {
        foreach ($ends as $i => $end) {
            if ($end->at->distanceTo($new->at) < self::END_WITHIN_MM / 2) {
                if ($new->widthMm < $end->widthMm) {
                    $ends[$i] = $new;
                }

                return array_values($ends);
            }
        }

        return [...$ends, $new];
    }

    /**
     * Turn at each point, radians, to the left positive.
     *
     * @param list<Point> $points
     *
     * @return list<float>
     */
    private static function turns(array $points): array
    {
        $n = \count($points);
        $turns = [];
        for ($i = 0; $i < $n; ++$i) {
            $a = $points[($i + $n - 1) % $n];
            $b = $points[$i];
            $c = $points[($i + 1) % $n];
            $ux = $b->xMm - $a->xMm;
            $uy = $b->yMm - $a->yMm;
            $vx = $c->xMm - $b->xMm;
            $vy = $c->yMm - $b->yMm;
            $turns[] = atan2($ux * $vy - $uy * $vx, $ux * $vx + $uy * $vy);
        }

        return $turns;
    }
}
