<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\Point;

/**
 * Lines of a section that do not close: their ends are joined nearest first, each to the beginning of another line or to
 * its own. What lies within the tolerance is rounding, what lies further apart is a gap of the mesh.
 */
final readonly class OpenChains
{
    /** Corners that should be one lie no further apart in a file of single floats, mm. */
    private const ROUNDING_MM = 2e-3;
    private const NOTHING_MM2 = 1e-3;
    /** Beyond so many open ends a mesh is a heap of facets, and every line is closed by itself. */
    private const MOST_WITH_GAPS = 600;

    /** @param list<list<Point>> $loops */
    private function __construct(public array $loops, public bool $gaps)
    {
    }

    /** @param list<list<Point>> $chains at least two points each */
    public static function joined(array $chains): self
    {
        [$chains, $loops] = self::join($chains, self::within($chains, self::ROUNDING_MM));
        if ([] === $chains) {
            return new self($loops, false);
        }
        [$chains, $more] = \count($chains) > self::MOST_WITH_GAPS ? [[], $chains] : self::join($chains, self::all($chains));

        return new self([...$loops, ...$more, ...$chains], true);
    }

    /**
     * @param list<list<Point>> $chains
     * @param array<int, float> $pairs  how far apart the end of one and the beginning of another are, by the one times their
     *                                  number plus the other: a list of pairs would take five times the memory
     *
     * @return array{list<list<Point>>, list<list<Point>>} still open, closed
     */
    private static function join(array $chains, array $pairs): array
    {
        asort($pairs);
        $n = \count($chains);
        $next = $taken = [];
        // Of a line of several: where it begins, by its end, and the other way round.
        $head = array_keys($chains);
        $tail = array_keys($chains);
        $closed = [];
        foreach (array_keys($pairs) as $pair) {
            [$end, $begin] = [intdiv($pair, $n), $pair % $n];
            if (isset($next[$end]) || isset($taken[$begin]) || isset($closed[$end])) {
                continue;
            }
            if ($head[$end] === $begin) {
                // A line there and back encloses nothing, and wants another to go on with.
                if (abs((new Outline(self::points($chains, $next, $begin)))->signedAreaMm2()) < self::NOTHING_MM2) {
                    continue;
                }
                $closed[$end] = $begin;
                $next[$end] = null;
                $taken[$begin] = true;
                continue;
            }
            $next[$end] = $begin;
            $taken[$begin] = true;
            $first = $head[$end];
            $last = $tail[$begin];
            $head[$last] = $first;
            $tail[$first] = $last;
        }
        $open = $loops = [];
        $beginsLoop = array_flip($closed);
        foreach (array_keys($chains) as $i) {
            if (!isset($taken[$i]) || isset($beginsLoop[$i])) {
                $points = self::points($chains, $next, $i);
                isset($beginsLoop[$i]) ? $loops[] = $points : $open[] = $points;
            }
        }

        return [$open, $loops];
    }

    /**
     * @param list<list<Point>>    $chains
     * @param array<int, int|null> $next   by the line before
     *
     * @return list<Point> of all lines from this one on
     */
    private static function points(array $chains, array $next, int $from): array
    {
        $points = [];
        for ($at = $from; null !== $at; $at = $next[$at] ?? null) {
            array_push($points, ...$chains[$at]);
        }

        return $points;
    }

    /**
     * @param list<list<Point>> $chains
     *
     * @return array<int, float> {@see join}
     */
    private static function all(array $chains): array
    {
        $pairs = [];
        foreach ($chains as $end => $one) {
            $last = $one[\count($one) - 1];
            foreach ($chains as $begin => $other) {
                $pairs[$end * \count($chains) + $begin] = $last->distanceTo($other[0]);
            }
        }

        return $pairs;
    }

    /**
     * @param list<list<Point>> $chains
     *
     * @return array<int, float> {@see join}
     */
    private static function within(array $chains, float $mm): array
    {
        $cells = [];
        foreach ($chains as $begin => $chain) {
            $cells[(int) floor($chain[0]->xMm / $mm).'/'.(int) floor($chain[0]->yMm / $mm)][] = $begin;
        }
        $pairs = [];
        foreach ($chains as $end => $chain) {
            $last = $chain[\count($chain) - 1];
            $column = (int) floor($last->xMm / $mm);
            $row = (int) floor($last->yMm / $mm);
            for ($x = $column - 1; $x <= $column + 1; ++$x) {
                for ($y = $row - 1; $y <= $row + 1; ++$y) {
                    foreach ($cells[$x.'/'.$y] ?? [] as $begin) {
                        $apart = $last->distanceTo($chains[$begin][0]);
                        if ($apart <= $mm) {
                            $pairs[$end * \count($chains) + $begin] = $apart;
                        }
                    }
                }
            }
        }

        return $pairs;
    }
}
