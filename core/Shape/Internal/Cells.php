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

    /** Each covered square and its neighbours all around; without corners only those beside, above and below. */
    public function grown(bool $corners = true): self
    {
        $grown = clone $this;
        $beside = $this->cells | self::shifted($this->cells, 1) | self::shifted($this->cells, -1);
        $upright = $corners ? $beside : $this->cells;
        $grown->cells = $beside | self::shifted($upright, $this->columns) | self::shifted($upright, -$this->columns);

        return $grown;
    }

    /** What is left when a square is taken off all round. */
    public function shrunk(): self
    {
        $shrunk = clone $this;
        $beside = $this->cells & self::shifted($this->cells, 1) & self::shifted($this->cells, -1);
        $shrunk->cells = $beside & self::shifted($beside, $this->columns) & self::shifted($beside, -$this->columns);

        return $shrunk;
    }

    /** With all that nothing leads out of. */
    public function filled(): self
    {
        $filled = clone $this;
        $filled->cells = str_repeat("\1", \strlen($this->cells));
        foreach ($this->runs("\0", 0) as $runs) {
            // The margin is never covered, and is all of one piece.
            if (0 === $runs[0][0]) {
                $filled->set($runs, "\0");
            }
        }

        return $filled;
    }

    /** @return list<Piece> what hangs together, also over corners */
    public function pieces(): array
    {
        return array_map(fn (array $runs): Piece => new Piece($runs, $this->columns), $this->runs("\1", 1));
    }

    public function only(Piece $piece): self
    {
        $only = $this->empty();
        $only->set($piece->runs, "\1");

        return $only;
    }

    /** Squares of a piece that are covered here. */
    public function under(Piece $piece): int
    {
        $squares = 0;
        foreach ($piece->runs as [$from, $to]) {
            $squares += substr_count($this->cells, "\1", $from, $to - $from);
        }

        return $squares;
    }

    public function empty(): self
    {
        $empty = clone $this;
        $empty->cells = str_repeat("\0", \strlen($this->cells));

        return $empty;
    }

    /** Squares that both cover. */
    public function common(self $other): int
    {
        return substr_count($this->cells & $other->cells, "\1");
    }

    public function with(self $other): self
    {
        $both = clone $this;
        $both->cells = $this->cells | $other->cells;

        return $both;
    }

    public function without(self $other): self
    {
        $rest = clone $this;
        $rest->cells = $this->cells & ~$other->cells & str_repeat("\1", \strlen($this->cells));

        return $rest;
    }

    public function squares(): int
    {
        return substr_count($this->cells, "\1");
    }

    public function areaMm2(): float
    {
        return $this->squares() * self::SIZE_MM ** 2;
    }

    /**
     * How many squares each square lies off the covered ones, up to so many; nought: covered, or farther.
     *
     * @return string a byte for each square
     */
    public function ringsAround(int $most): string
    {
        $rings = str_repeat("\0", \strlen($this->cells));
        $inner = $this;
        for ($ring = 1; $ring <= $most; ++$ring) {
            // Eight-cornered, which is within a fifteenth of round.
            $outer = $inner->grown(0 === $ring % 2);
            $rings |= strtr($outer->without($inner)->cells, "\1", \chr($ring));
            $inner = $outer;
        }

        return $rings;
    }

    /**
     * @param int $reach 1: pieces also hang together over corners
     *
     * @return list<non-empty-list<array{int, int}>> the squares of one kind by pieces, as runs in rows: from, and to before
     */
    private function runs(string $of, int $reach): array
    {
        $runs = $head = $above = [];
        $find = static function (int $i) use (&$head): int {
            while ($head[$i] !== $i) {
                $head[$i] = $head[$head[$i]];
                $i = $head[$i];
            }

            return $i;
        };
        for ($row = 0; $row < $this->rows; ++$row) {
            $start = $row * $this->columns;
            $line = substr($this->cells, $start, $this->columns);
            $here = [];
            for ($at = strcspn($line, $of); $at < $this->columns; $at += strcspn($line, $of, $at)) {
                $to = $at + strspn($line, $of, $at);
                $id = \count($runs);
                $runs[] = [$start + $at, $start + $to];
                $head[] = $id;
                $here[] = [$at, $to, $id];
                $at = $to;
            }
            $k = 0;
            foreach ($here as [$from, $to, $id]) {
                while (isset($above[$k]) && $above[$k][1] + $reach <= $from) {
                    ++$k;
                }
                for ($i = $k; isset($above[$i]) && $above[$i][0] < $to + $reach; ++$i) {
                    [$one, $two] = [$find($id), $find($above[$i][2])];
                    $head[max($one, $two)] = min($one, $two);
                }
            }
            $above = $here;
        }
        $pieces = [];
        foreach ($runs as $id => $run) {
            $pieces[$find($id)][] = $run;
        }

        return array_values($pieces);
    }

    /** @param non-empty-list<array{int, int}> $runs */
    private function set(array $runs, string $to): void
    {
        foreach ($runs as [$from, $before]) {
            for ($i = $from; $i < $before; ++$i) {
                $this->cells[$i] = $to;
            }
        }
    }

    private static function shifted(string $cells, int $by): string
    {
        $n = \strlen($cells);

        return $by > 0 ? str_repeat("\0", $by).substr($cells, 0, $n - $by) : substr($cells, -$by).str_repeat("\0", -$by);
    }
}
