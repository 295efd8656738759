<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

/** Squares that hang together. */
final readonly class Piece
{
    public int $squares;
    /** @var array{int, int, int, int} first column and row, last column and row */
    private array $box;

    /** @param non-empty-list<array{int, int}> $runs in rows: from a square on, and to before one */
    public function __construct(public array $runs, int $columns)
    {
        $squares = 0;
        $box = [\PHP_INT_MAX, \PHP_INT_MAX, 0, 0];
        foreach ($runs as [$from, $to]) {
            $squares += $to - $from;
            $row = intdiv($from, $columns);
            $box = [min($box[0], $from % $columns), min($box[1], $row), max($box[2], ($to - 1) % $columns), max($box[3], $row)];
        }
        $this->squares = $squares;
        $this->box = $box;
    }

    /** Whether it reaches farther on all four sides. */
    public function boxes(self $other): bool
    {
        return $this->box[0] < $other->box[0] && $this->box[1] < $other->box[1] && $this->box[2] > $other->box[2] && $this->box[3] > $other->box[3];
    }
}
