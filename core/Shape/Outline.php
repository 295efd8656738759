<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A closed line on the plate; counterclockwise around an island, clockwise around a hole, seen from above. */
final readonly class Outline
{
    /** Distances that a simplification may take; a second of them. */
    private const MOST_LOOKS = 1_200_000;

    /** @param list<Point> $points at least three; the last is joined to the first */
    public function __construct(public array $points)
    {
    }

    /** Shoelace formula, mm²; negative for a hole. */
    public function signedAreaMm2(): float
    {
        // About the first point, so that far from the origin nothing is lost.
        $x0 = $this->points[0]->xMm;
        $y0 = $this->points[0]->yMm;
        $sum = 0.0;
        $n = \count($this->points);
        for ($i = 0; $i < $n; ++$i) {
            $a = $this->points[$i];
            $b = $this->points[$i + 1 < $n ? $i + 1 : 0];
            $sum += ($a->xMm - $x0) * ($b->yMm - $y0) - ($b->xMm - $x0) * ($a->yMm - $y0);
        }

        return $sum / 2;
    }

    public function lengthMm(): float
    {
        $sum = 0.0;
        $n = \count($this->points);
        for ($i = 0; $i < $n; ++$i) {
            $sum += $this->points[$i]->distanceTo($this->points[$i + 1 < $n ? $i + 1 : 0]);
        }

        return $sum;
    }

    public function reversed(): self
    {
        return new self(array_reverse($this->points));
    }

    /** Even–odd rule. */
    public function contains(Point $point): bool
    {
        $inside = false;
        $n = \count($this->points);
        for ($i = 0, $j = $n - 1; $i < $n; $j = $i++) {
            $a = $this->points[$i];
            $b = $this->points[$j];
            if (($a->yMm > $point->yMm) !== ($b->yMm > $point->yMm)
                && $point->xMm < ($b->xMm - $a->xMm) * ($point->yMm - $a->yMm) / ($b->yMm - $a->yMm) + $a->xMm) {
                $inside = !$inside;
            }
        }

        return $inside;
    }

    /**
     * Douglas & Peucker 1973: fewer points, none farther than this from the line. Teeth all of one height take the square of
     * their number of looks; no part that is printed has so many.
     *
     * @throws BadShape if it would take longer than anybody waits
     */
    public function simplified(float $toleranceMm): self
    {
        $n = \count($this->points);
        if ($n < 5) {
            return $this;
        }
        // A closed line is halved between two of its outermost corners.
        $centre = new Point(
            array_sum(array_map(static fn (Point $p): float => $p->xMm, $this->points)) / $n,
            array_sum(array_map(static fn (Point $p): float => $p->yMm, $this->points)) / $n,
        );
        $start = self::farthest($this->points, $centre);
        $points = [...\array_slice($this->points, $start), ...\array_slice($this->points, 0, $start)];
        $far = self::farthest($points, $points[0]);
        $kept = [0 => true, $far => true];
        $open = [[0, $far], [$far, $n]];
        $looks = 0;
        while ([] !== $open) {
            [$from, $to] = array_pop($open);
            $looks += $to - $from;
            if ($looks > self::MOST_LOOKS) {
                throw BadShape::tooFine();
            }
            $a = $points[$from];
            $b = $points[$to % $n];
            $length = $a->distanceTo($b);
            $worst = $toleranceMm;
            $at = null;
            for ($i = $from + 1; $i < $to; ++$i) {
                $p = $points[$i];
                $off = $length < 1e-12
                    ? $p->distanceTo($a)
                    : abs(($b->xMm - $a->xMm) * ($p->yMm - $a->yMm) - ($b->yMm - $a->yMm) * ($p->xMm - $a->xMm)) / $length;
                if ($off > $worst) {
                    [$worst, $at] = [$off, $i];
                }
            }
            if (null !== $at) {
                $kept[$at] = true;
                array_push($open, [$from, $at], [$at, $to]);
            }
        }
        ksort($kept);
        $few = array_map(static fn (int $i): Point => $points[$i], array_keys($kept));

        return \count($few) < 3 ? $this : new self($few);
    }

    /** Every corner moved outwards (inwards for a hole), so that the sides move by this much; miters are cut at four times. */
    public function offset(float $byMm): self
    {
        $n = \count($this->points);
        $moved = [];
        for ($i = 0; $i < $n; ++$i) {
            $p = $this->points[$i];
            [$ux, $uy] = self::direction($this->points[($i + $n - 1) % $n], $p);
            [$vx, $vy] = self::direction($p, $this->points[($i + 1) % $n]);
            // The right of the way is outside of a counterclockwise line.
            $nx = $uy + $vy;
            $ny = -$ux - $vx;
            $scale = 1 + $ux * $vx + $uy * $vy;
            if ($scale < 0.125) {
                $moved[] = $p;
                continue;
            }
            $moved[] = new Point($p->xMm + $byMm * $nx / $scale, $p->yMm + $byMm * $ny / $scale);
        }

        return new self($moved);
    }

    /**
     * Convex hull after Andrew's monotone chain, counterclockwise.
     *
     * @return list<Point>
     */
    public function hull(): array
    {
        $points = $this->points;
        usort($points, static fn (Point $a, Point $b): int => [$a->xMm, $a->yMm] <=> [$b->xMm, $b->yMm]);
        $half = static function (array $points): array {
            $chain = [];
            foreach ($points as $p) {
                while (\count($chain) > 1) {
                    $b = $chain[\count($chain) - 1];
                    $a = $chain[\count($chain) - 2];
                    if (($b->xMm - $a->xMm) * ($p->yMm - $a->yMm) - ($b->yMm - $a->yMm) * ($p->xMm - $a->xMm) > 0) {
                        break;
                    }
                    array_pop($chain);
                }
                $chain[] = $p;
            }
            array_pop($chain);

            return $chain;
        };

        return [...$half($points), ...$half(array_reverse($points))];
    }

    /** @param list<Point> $points */
    private static function farthest(array $points, Point $from): int
    {
        $far = 0;
        $most = -1.0;
        foreach ($points as $i => $point) {
            $distance = $point->distanceTo($from);
            if ($distance > $most) {
                [$most, $far] = [$distance, $i];
            }
        }

        return $far;
    }

    /** @return array{float, float} */
    private static function direction(Point $from, Point $to): array
    {
        $length = $from->distanceTo($to);

        return $length < 1e-12 ? [0.0, 0.0] : [($to->xMm - $from->xMm) / $length, ($to->yMm - $from->yMm) / $length];
    }
}
