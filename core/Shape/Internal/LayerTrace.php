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
    /** Loops that enclose less are dabs, mm². */
    private const DAB_MM2 = 0.2;

    public float $lengthMm = 0.0;
    public float $seconds = 0.0;
    /** @var array<int, float> mm of filament by tool */
    public array $filamentMm = [];
    /** Paths of packed points, each after its size in bytes and its tool; a path ends where the nozzle travels. */
    private string $paths = '';
    private string $path = '';
    private int $tool = 0;
    private float $lastX = \NAN;
    private float $lastY = \NAN;

    public function __construct(public readonly float $zMm, private readonly int $mostBytes)
    {
    }

    public function line(float $x1, float $y1, float $x2, float $y2, float $filamentMm, float $speedMmS, int $tool): void
    {
        $length = hypot($x2 - $x1, $y2 - $y1);
        $this->lengthMm += $length;
        $this->filamentMm[$tool] = ($this->filamentMm[$tool] ?? 0.0) + $filamentMm;
        $this->seconds += $speedMmS > 0 ? $length / $speedMmS : 0.0;
        if (\strlen($this->paths) + \strlen($this->path) > $this->mostBytes) {
            return;
        }
        if ('' === $this->path || $tool !== $this->tool || abs($x1 - $this->lastX) > 1e-6 || abs($y1 - $this->lastY) > 1e-6) {
            $this->endPath();
            $this->tool = $tool;
            $this->path = pack('g2', $x1, $y1);
        }
        $this->path .= pack('g2', $x2, $y2);
        $this->lastX = $x2;
        $this->lastY = $y2;
    }

    public function endPath(): void
    {
        if ('' !== $this->path) {
            $this->paths .= pack('VV', \strlen($this->path), $this->tool).$this->path;
            $this->path = '';
        }
    }

    /** @param \Closure(int): float $sectionMm2 of the filament of a tool */
    public function plasticMm3(\Closure $sectionMm2): float
    {
        $sum = 0.0;
        foreach ($this->filamentMm as $tool => $mm) {
            $sum += $mm * $sectionMm2($tool);
        }

        return $sum;
    }

    /** @return \Generator<int, array<int, float>> by tool: x and y by turns, from index 1 */
    public function paths(): \Generator
    {
        $this->endPath();
        for ($at = 0, $end = \strlen($this->paths); $at < $end;) {
            ['bytes' => $bytes, 'tool' => $tool] = unpack('Vbytes/Vtool', $this->paths, $at) ?: ['bytes' => 0, 'tool' => 0];
            yield $tool => unpack('g'.intdiv($bytes, 4), $this->paths, $at + 8) ?: [];
            $at += 8 + $bytes;
        }
    }

    /**
     * Closed lines, counterclockwise, as the middle of the nozzle went.
     *
     * @param \Closure(float, float): bool $counts whether a line that passes here counts
     *
     * @return list<Outline> the largest first
     *
     * @throws BadShape if its lines have more corners than anybody waits for
     */
    public function loops(\Closure $counts): array
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
            if (abs($area) > self::DAB_MM2) {
                $loops[] = [abs($area), ($area > 0 ? $loop : $loop->reversed())->simplified(0.01)];
            }
        }
        usort($loops, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column($loops, 1);
    }

    /**
     * Closed lines that lie in no other closed line, moved outwards by half a line width.
     *
     * @param list<Outline> $loops the largest first
     *
     * @return list<Outline>
     */
    public static function outermost(array $loops, float $lineWidthMm): array
    {
        $outer = [];
        foreach ($loops as $loop) {
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
