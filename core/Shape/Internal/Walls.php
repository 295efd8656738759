<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\Outline;

/** Which closed lines of a layer bound what it covers: those that have something on one side alone. */
final class Walls
{
    /** Looked at along each line. */
    private const PLACES = 24;
    private const BUCKET_MM = 1.0;
    /** What a line covers to either side, in its width: neighbours need not touch, as plastic is laid in a little more or less. */
    private const REACH = 0.6;

    /** @var array<int, list<array{float, float, int}>> places by bucket: x, y, which */
    private array $places = [];
    /** @var array<int, true> places that some line covers */
    private array $covered = [];
    private int $count = 0;

    private function __construct(private readonly float $lineWidthMm)
    {
    }

    /**
     * Islands counterclockwise and holes clockwise, moved by half a line width to where the plastic ends. A line alone bounds a ring of
     * its own width.
     *
     * @param list<Outline> $loops counterclockwise, as the middle of the nozzle went
     *
     * @return list<Outline>
     */
    public static function of(LayerTrace $layer, array $loops, float $lineWidthMm): array
    {
        if ([] === $loops || $lineWidthMm <= 0.0) {
            return [];
        }
        $self = new self($lineWidthMm);
        $sides = [];
        foreach ($loops as $i => $loop) {
            $sides[$i] = $self->beside($loop);
        }
        $self->look($layer);
        $walls = [];
        foreach ($loops as $i => $loop) {
            $inside = $self->mostly($sides[$i][0]);
            $outside = $self->mostly($sides[$i][1]);
            if (!$outside) {
                $walls[] = $loop->offset($lineWidthMm / 2);
            }
            if (!$inside) {
                $walls[] = $loop->reversed()->offset($lineWidthMm / 2);
            }
        }

        return $walls;
    }

    /**
     * Places a line width inside and outside of a loop.
     *
     * @return array{list<int>, list<int>}
     */
    private function beside(Outline $loop): array
    {
        $step = $loop->lengthMm() / self::PLACES;
        $inside = $outside = [];
        $n = \count($loop->points);
        $next = $step / 2;
        $gone = 0.0;
        for ($i = 0; $i < $n; ++$i) {
            $a = $loop->points[$i];
            $b = $loop->points[$i + 1 < $n ? $i + 1 : 0];
            $length = $a->distanceTo($b);
            for (; $length > 1e-9 && $next <= $gone + $length; $next += $step) {
                $t = ($next - $gone) / $length;
                $x = $a->xMm + $t * ($b->xMm - $a->xMm);
                $y = $a->yMm + $t * ($b->yMm - $a->yMm);
                // To the left of the way is inside.
                $nx = -($b->yMm - $a->yMm) / $length * $this->lineWidthMm;
                $ny = ($b->xMm - $a->xMm) / $length * $this->lineWidthMm;
                $inside[] = $this->place($x + $nx, $y + $ny);
                $outside[] = $this->place($x - $nx, $y - $ny);
            }
            $gone += $length;
        }

        return [$inside, $outside];
    }

    private function place(float $x, float $y): int
    {
        $this->places[self::bucket((int) floor($x / self::BUCKET_MM), (int) floor($y / self::BUCKET_MM))][] = [$x, $y, $this->count];

        return $this->count++;
    }

    private static function bucket(int $column, int $row): int
    {
        return ($column + 0x100000) << 22 | ($row + 0x100000);
    }

    private function look(LayerTrace $layer): void
    {
        $reach = self::REACH * $this->lineWidthMm;
        foreach ($layer->paths() as $xy) {
            for ($i = 3, $n = \count($xy); $i < $n; $i += 2) {
                $this->pass($xy[$i - 2], $xy[$i - 1], $xy[$i], $xy[$i + 1], $reach);
            }
        }
    }

    private function pass(float $x1, float $y1, float $x2, float $y2, float $reach): void
    {
        $dx = $x2 - $x1;
        $dy = $y2 - $y1;
        $square = $dx * $dx + $dy * $dy;
        $rows = abs($dy) >= abs($dx);
        // Along the longer way bucket by bucket, across it as far as the line reaches there.
        [$from, $to] = $rows ? [min($y1, $y2), max($y1, $y2)] : [min($x1, $x2), max($x1, $x2)];
        for ($at = (int) floor(($from - $reach) / self::BUCKET_MM), $end = (int) floor(($to + $reach) / self::BUCKET_MM); $at <= $end; ++$at) {
            $ends = [];
            foreach ([$at * self::BUCKET_MM, ($at + 1) * self::BUCKET_MM] as $edge) {
                $edge = max($from, min($to, $edge));
                $ends[] = $rows
                    ? $x1 + (abs($dy) > 1e-12 ? ($edge - $y1) / $dy : 0.0) * $dx
                    : $y1 + (abs($dx) > 1e-12 ? ($edge - $x1) / $dx : 0.0) * $dy;
            }
            $low = (int) floor((min($ends) - $reach) / self::BUCKET_MM);
            $high = (int) floor((max($ends) + $reach) / self::BUCKET_MM);
            for ($across = $low; $across <= $high; ++$across) {
                foreach ($this->places[$rows ? self::bucket($across, $at) : self::bucket($at, $across)] ?? [] as [$x, $y, $which]) {
                    $t = $square > 1e-18 ? max(0.0, min(1.0, (($x - $x1) * $dx + ($y - $y1) * $dy) / $square)) : 0.0;
                    if (hypot($x - $x1 - $t * $dx, $y - $y1 - $t * $dy) <= $reach) {
                        $this->covered[$which] = true;
                    }
                }
            }
        }
    }

    /** @param list<int> $places */
    private function mostly(array $places): bool
    {
        $covered = 0;
        foreach ($places as $place) {
            $covered += isset($this->covered[$place]) ? 1 : 0;
        }

        return 2 * $covered > \count($places);
    }
}
