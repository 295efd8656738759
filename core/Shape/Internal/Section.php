<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\Point;

/** Where a mesh is cut by a level plane: closed outlines with the body on their left. */
final readonly class Section
{
    private const MOST_SEGMENTS = 60_000;
    /** An outline smaller than this is a flaw of the mesh, mm². */
    private const SMALLEST_MM2 = 0.005;

    /** @param list<Outline> $outlines */
    private function __construct(public array $outlines, public bool $repaired)
    {
    }

    /**
     * @param string $facets packed, nine single floats each
     *
     * @throws BadShape if the section is too fine or not closed
     */
    public static function of(string $facets, float $atMm): self
    {
        [$from, $to] = self::segments($facets, $atMm);
        $starts = [];
        foreach ($from as $i => $point) {
            $starts[$point][] = $i;
        }
        $loops = $open = [];
        $used = [];
        foreach (self::loneStartsFirst($from, $to) as $first) {
            if (isset($used[$first])) {
                continue;
            }
            $start = $from[$first];
            $points = [];
            $i = $first;
            do {
                $used[$i] = true;
                $points[] = $from[$i];
                $next = null;
                while (isset($starts[$to[$i]]) && [] !== $starts[$to[$i]] && null === $next) {
                    $candidate = array_pop($starts[$to[$i]]);
                    if (!isset($used[$candidate]) || $candidate === $first) {
                        $next = $candidate;
                    }
                }
                $end = $to[$i];
                $i = $next ?? $first;
            } while (null !== $next && $next !== $first);
            $end === $start ? $loops[] = $points : $open[] = [...$points, $end];
        }
        $chains = array_map(self::unpacked(...), $open);
        $joined = OpenChains::joined($chains);
        $outlines = array_map(
            static fn (array $points): Outline => new Outline($points),
            array_filter([...array_map(self::unpacked(...), $loops), ...$joined->loops], static fn (array $points): bool => \count($points) >= 3),
        );

        return new self(self::oriented($outlines), $joined->gaps);
    }

    /**
     * Where the mesh has a gap, an outline begins behind it.
     *
     * @param list<string> $from
     * @param list<string> $to
     *
     * @return list<int>
     */
    private static function loneStartsFirst(array $from, array $to): array
    {
        $ends = array_flip($to);
        $lone = array_keys(array_filter($from, static fn (string $point): bool => !isset($ends[$point])));

        return [] === $lone ? array_keys($from) : [...$lone, ...array_keys($from)];
    }

    /**
     * @return array{list<string>, list<string>} start and end of each segment, packed
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private static function segments(string $facets, float $atMm): array
    {
        $from = $to = [];
        for ($at = 0, $end = \strlen($facets); $at < $end; $at += 36) {
            $f = unpack('g9', $facets, $at) ?: [];
            $a = $f[3] < $atMm;
            $b = $f[6] < $atMm;
            $c = $f[9] < $atMm;
            if ($a === $b && $b === $c) {
                continue;
            }
            // The corner that is alone on its side of the plane comes first, the order of the others is kept.
            [$p, $q, $r] = $b === $c ? [1, 4, 7] : ($a === $c ? [4, 7, 1] : [7, 1, 4]);
            $one = self::cut($f, $p, $q, $atMm);
            $two = self::cut($f, $p, $r, $atMm);
            // Seen from outside the corners run counterclockwise: with the lone corner below, the body is left of one → two.
            [$start, $stop] = $f[$p + 2] < $atMm ? [$two, $one] : [$one, $two];
            if ($start !== $stop) {
                $from[] = $start;
                $to[] = $stop;
            }
            if (\count($from) > self::MOST_SEGMENTS) {
                throw BadShape::tooFine();
            }
        }

        return [$from, $to];
    }

    /**
     * Where an edge meets the plane; reckoned from its lower end, so that both facets of the edge find the same place.
     *
     * @param array<float> $f
     */
    private static function cut(array $f, int $p, int $q, float $atMm): string
    {
        if ($f[$p + 2] > $f[$q + 2]) {
            [$p, $q] = [$q, $p];
        }
        $share = ($atMm - $f[$p + 2]) / ($f[$q + 2] - $f[$p + 2]);

        // A grid of a tenth of a micrometre joins what rounding keeps apart.
        return pack('q2', (int) round(1e4 * ($f[$p] + $share * ($f[$q] - $f[$p]))), (int) round(1e4 * ($f[$p + 1] + $share * ($f[$q + 1] - $f[$p + 1]))));
    }

    /**
     * @param list<string> $packed
     *
     * @return list<Point>
     */
    private static function unpacked(array $packed): array
    {
        return array_map(static function (string $each): Point {
            $xy = unpack('q2', $each) ?: [1 => 0, 0];

            return new Point($xy[1] / 1e4, $xy[2] / 1e4);
        }, $packed);
    }

    /**
     * @param array<Outline> $outlines
     *
     * @return list<Outline>
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private static function oriented(array $outlines): array
    {
        $kept = [];
        $sum = 0.0;
        foreach ($outlines as $outline) {
            $area = $outline->signedAreaMm2();
            if (abs($area) >= self::SMALLEST_MM2) {
                $kept[] = $outline;
                $sum += $area;
            }
        }
        if ([] === $kept) {
            throw BadShape::notClosed();
        }

        // A mesh that is inside out has all its outlines the other way round.
        return $sum >= 0 ? $kept : array_map(static fn (Outline $o): Outline => $o->reversed(), $kept);
    }
}
