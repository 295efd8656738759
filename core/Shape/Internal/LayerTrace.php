<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\Point;

/** The lines that a G-code file lays down at one height. */
final class LayerTrace
{
    /** Ends nearer than this close a loop: seam, coasting and wiping leave a small gap, mm (our own choice). */
    private const SEAM_MM = 1.2;
    private const MOST_BYTES = 8_000_000;

    public float $lengthMm = 0.0;
    public float $plasticMm3 = 0.0;
    public float $seconds = 0.0;
    /** Paths of packed points; a path ends where the nozzle travels. */
    private string $paths = '';
    private string $path = '';
    private float $lastX = \NAN;
    private float $lastY = \NAN;

    public function __construct(public readonly float $zMm)
    {
    }

    public function line(float $x1, float $y1, float $x2, float $y2, float $plasticMm3, float $speedMmS): void
    {
        $length = hypot($x2 - $x1, $y2 - $y1);
        $this->lengthMm += $length;
        $this->plasticMm3 += $plasticMm3;
        $this->seconds += $speedMmS > 0 ? $length / $speedMmS : 0.0;
        if (\strlen($this->paths) + \strlen($this->path) > self::MOST_BYTES) {
            return;
        }
        if ('' === $this->path || abs($x1 - $this->lastX) > 1e-6 || abs($y1 - $this->lastY) > 1e-6) {
            $this->endPath();
            $this->path = pack('g2', $x1, $y1);
        }
        $this->path .= pack('g2', $x2, $y2);
        $this->lastX = $x2;
        $this->lastY = $y2;
    }

    public function endPath(): void
    {
        if ('' !== $this->path) {
            $this->paths .= pack('V', \strlen($this->path)).$this->path;
            $this->path = '';
        }
    }

    public function lineWidthMm(float $layerHeightMm): float
    {
        return $this->lengthMm > 0 ? $this->plasticMm3 / $this->lengthMm / $layerHeightMm : 0.0;
    }

    /** @return \Generator<array<int, float>> x and y by turns, from index 1 */
    public function paths(): \Generator
    {
        $this->endPath();
        for ($at = 0, $end = \strlen($this->paths); $at < $end;) {
            $bytes = unpack('V', $this->paths, $at)[1] ?? 0;
            yield unpack('g'.intdiv($bytes, 4), $this->paths, $at + 4) ?: [];
            $at += 4 + $bytes;
        }
    }

    /**
     * Closed lines that lie in no other closed line, counterclockwise, moved outwards by half a line width.
     *
     * @param \Closure(float, float): bool $counts whether a line that passes here counts
     *
     * @return list<Outline>
     *
     * @throws BadShape if its lines have more corners than anybody waits for
     */
    public function outermost(float $lineWidthMm, \Closure $counts): array
    {
        $loops = [];
        foreach ($this->paths() as $xy) {
            $n = intdiv(\count($xy), 2);
            if ($n < 4 || hypot($xy[1] - $xy[2 * $n - 1], $xy[2] - $xy[2 * $n]) > self::SEAM_MM || !$counts($xy[1], $xy[2])) {
                continue;
            }
            $points = [];
            for ($i = 0; $i < $n; ++$i) {
                $points[] = new Point($xy[2 * $i + 1], $xy[2 * $i + 2]);
            }
            if ($points[0]->distanceTo($points[$n - 1]) < 1e-4) {
                array_pop($points);
            }
            $loop = new Outline($points);
            $area = $loop->signedAreaMm2();
            if (abs($area) > 0.2) {
                $loops[] = [abs($area), ($area > 0 ? $loop : $loop->reversed())->simplified(0.01)];
            }
        }
        usort($loops, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $outer = [];
        foreach ($loops as [, $loop]) {
            foreach ($outer as $around) {
                if (self::lies($loop, $around)) {
                    continue 2;
                }
            }
            $outer[] = $loop;
        }

        return array_map(static fn (Outline $o): Outline => $o->offset($lineWidthMm / 2), $outer);
    }

    /** Wholly inside; brims of neighbours run into each other, and both count. */
    private static function lies(Outline $loop, Outline $around): bool
    {
        foreach ($loop->points as $point) {
            if (!$around->contains($point)) {
                return false;
            }
        }

        return true;
    }
}
