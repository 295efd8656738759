<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;

/** The plate in small squares: which of them the lines of a layer cover. */
final class Cells
{
    public const SIZE_MM = 0.5;
    /** Beds larger than this are not looked at in squares, mm. */
    public const WIDEST_MM = 1000.0;
    /** Squares passed by the lines of one layer: three kilometres of them, more than any bed takes. */
    private const MOST_STEPS = 12_000_000;

    private string $cells;
    private int $columns;
    private int $rows;

    public function __construct(private readonly float $minX, private readonly float $minY, float $maxX, float $maxY)
    {
        $this->columns = 5 + (int) (min(self::WIDEST_MM, $maxX - $minX) / self::SIZE_MM);
        $this->rows = 5 + (int) (min(self::WIDEST_MM, $maxY - $minY) / self::SIZE_MM);
        $this->cells = str_repeat("\0", $this->columns * $this->rows);
    }

    public function at(float $x, float $y): int
    {
        $column = 2 + (int) (($x - $this->minX) / self::SIZE_MM);
        $row = 2 + (int) (($y - $this->minY) / self::SIZE_MM);

        return $column < 0 || $row < 0 || $column >= $this->columns || $row >= $this->rows ? 0 : $row * $this->columns + $column;
    }

    /** @throws BadShape if the layer holds more line than is looked at */
    public function cover(LayerTrace $layer): void
    {
        $taken = 0;
        foreach ($layer->paths() as $xy) {
            $n = intdiv(\count($xy), 2);
            for ($i = 1; $i < $n; ++$i) {
                $seen = $this->within($xy[2 * $i - 1], $xy[2 * $i], $xy[2 * $i + 1], $xy[2 * $i + 2]);
                if (null === $seen) {
                    continue;
                }
                [$x1, $y1, $x2, $y2] = $seen;
                $steps = 1 + (int) (2 * max(abs($x2 - $x1), abs($y2 - $y1)) / self::SIZE_MM);
                $taken += $steps;
                if ($taken > self::MOST_STEPS) {
                    throw BadShape::tooLong();
                }
                $dx = ($x2 - $x1) / $steps;
                $dy = ($y2 - $y1) / $steps;
                for ($s = 0; $s <= $steps; ++$s) {
                    $this->cells[$this->at($x1 + $s * $dx, $y1 + $s * $dy)] = "\1";
                }
            }
        }
        // The margin stands for what is off the plate.
        $this->cells[0] = "\0";
    }

    /**
     * The part of a line that passes over the squares (clipping after Liang & Barsky 1984).
     *
     * @return array{float, float, float, float}|null null: none of it
     */
    private function within(float $x1, float $y1, float $x2, float $y2): ?array
    {
        $from = 0.0;
        $to = 1.0;
        foreach ([[$x1, $x2 - $x1, $this->minX, $this->columns], [$y1, $y2 - $y1, $this->minY, $this->rows]] as [$start, $by, $low, $squares]) {
            $high = $low + $squares * self::SIZE_MM;
            $low -= 2 * self::SIZE_MM;
            if (abs($by) < 1e-9) {
                if ($start < $low || $start > $high) {
                    return null;
                }
                continue;
            }
            $ends = [($low - $start) / $by, ($high - $start) / $by];
            $from = max($from, min($ends));
            $to = min($to, max($ends));
        }

        return $from > $to ? null : [$x1 + $from * ($x2 - $x1), $y1 + $from * ($y2 - $y1), $x1 + $to * ($x2 - $x1), $y1 + $to * ($y2 - $y1)];
    }

    public function covers(int $cell): bool
    {
        return "\1" === $this->cells[$cell];
    }

    /** Each covered square and its neighbours all around. */
    public function grown(): self
    {
        $grown = clone $this;
        for ($i = $this->columns + 1, $end = \strlen($this->cells) - $this->columns - 1; $i < $end; ++$i) {
            if ("\1" === $this->cells[$i]) {
                foreach ([-1, 0, 1] as $row) {
                    for ($k = $i + $row * $this->columns - 1, $to = $k + 2; $k <= $to; ++$k) {
                        $grown->cells[$k] = "\1";
                    }
                }
            }
        }

        return $grown;
    }

    /** The squares covered here of which no piece hangs together with the other: what stands apart. */
    public function apartFrom(self $other): self
    {
        $apart = clone $this;
        $neighbours = [-$this->columns - 1, -$this->columns, -$this->columns + 1, -1, 1, $this->columns - 1, $this->columns, $this->columns + 1];
        $seen = str_repeat("\0", \strlen($this->cells));
        for ($i = 0, $n = \strlen($this->cells); $i < $n; ++$i) {
            if ("\1" !== $this->cells[$i] || "\1" === $seen[$i]) {
                continue;
            }
            $piece = [];
            $open = [$i];
            $seen[$i] = "\1";
            $meets = 0;
            while ([] !== $open) {
                $cell = array_pop($open);
                $piece[] = $cell;
                $meets += "\1" === $other->cells[$cell] ? 1 : 0;
                foreach ($neighbours as $step) {
                    $next = $cell + $step;
                    if ("\1" === ($this->cells[$next] ?? "\0") && "\0" === $seen[$next]) {
                        $seen[$next] = "\1";
                        $open[] = $next;
                    }
                }
            }
            // A crossing or two does not make a skirt part of the body.
            if ($meets > 0.05 * \count($piece)) {
                foreach ($piece as $cell) {
                    $apart->cells[$cell] = "\0";
                }
            }
        }

        return $apart;
    }

    public function meets(self $other): bool
    {
        return str_contains($this->cells & $other->cells, "\1");
    }

    public function without(self $other): self
    {
        $rest = clone $this;
        $rest->cells = $this->cells & ~$other->cells & str_repeat("\1", \strlen($this->cells));

        return $rest;
    }

    public function areaMm2(): float
    {
        return substr_count($this->cells, "\1") * self::SIZE_MM ** 2;
    }
}
