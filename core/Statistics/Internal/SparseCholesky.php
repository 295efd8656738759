<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

use Sitzplatz\Statistics\InvalidArgument;

/**
 * A symmetric matrix that is positive definite as L·Lᵀ, row by row, where most of it is nought: what is nought in L costs nothing but a
 * look (up-looking Cholesky; Davis 2006, chapter 4, from memory). It stays as sparse as the order of its rows lets it.
 */
final class SparseCholesky
{
    /** @var list<array<int, float>>|null what of the inverse was reckoned; null: it was not asked for yet */
    private ?array $inverse = null;

    /**
     * @param list<float>             $diagonal of L
     * @param list<array<int, float>> $columns  below the diagonal: what stands there, by row
     */
    private function __construct(private readonly array $diagonal, private readonly array $columns)
    {
    }

    /**
     * @param list<array<int, float>> $lower each row by column, up to the diagonal
     *
     * @throws InvalidArgument if it is not positive definite
     */
    public static function of(array $lower): self
    {
        $diagonal = $columns = [];
        foreach ($lower as $i => $given) {
            $left = $given[$i] ?? 0.0;
            unset($given[$i]);
            $work = 0 === $i ? [] : array_fill(0, $i, 0.0);
            foreach ($given as $column => $value) {
                $work[$column] = $value;
            }
            for ($k = 0; $k < $i; ++$k) {
                // Nought is what nobody wrote there.
                if (0.0 === $work[$k]) {
                    continue;
                }
                $l = $work[$k] / $diagonal[$k];
                $left -= $l * $l;
                foreach ($columns[$k] as $row => $value) {
                    $work[$row] -= $l * $value;
                }
                $columns[$k][$i] = $l;
            }
            if ($left > 0.0 && is_finite($left)) {
                $diagonal[] = sqrt($left);
                $columns[] = [];
            } else {
                throw InvalidArgument::notPositive($left);
            }
        }

        return new self($diagonal, $columns);
    }

    /** log of the determinant. */
    public function logDeterminant(): float
    {
        return 2 * array_sum(array_map(log(...), $this->diagonal));
    }

    /**
     * @param array<int, float> $right of all places
     *
     * @return array<int, float> A⁻¹ of it
     */
    public function solve(array $right): array
    {
        $x = $this->forward($right, 0);
        for ($k = \count($x) - 1; $k >= 0; --$k) {
            $sum = $x[$k];
            foreach ($this->columns[$k] as $row => $value) {
                $sum -= $value * $x[$row];
            }
            $x[$k] = $sum / $this->diagonal[$k];
        }

        return $x;
    }

    /**
     * xᵀ·A⁻¹·x.
     *
     * @param array<int, float> $x by place
     */
    public function inverseForm(array $x): float
    {
        if ([] === $x) {
            return 0.0;
        }
        $sum = 0.0;
        foreach ($this->forward(array_replace(array_fill(0, \count($this->diagonal), 0.0), $x), min(array_keys($x))) as $each) {
            $sum += $each * $each;
        }

        return $sum;
    }

    /**
     * Of A⁻¹ what stands where L has something, from the last row up (Takahashi 1973; Erisman & Tinney 1975, from memory).
     *
     * @return list<array<int, float>> each column by row, from the diagonal down
     */
    public function inverse(): array
    {
        return $this->inverse ??= $this->reckonInverse();
    }

    /** @return list<array<int, float>> */
    private function reckonInverse(): array
    {
        $inverse = [];
        for ($j = \count($this->diagonal) - 1; $j >= 0; --$j) {
            $pivot = $this->diagonal[$j];
            $column = array_map(static fn (float $value): float => $value / $pivot, $this->columns[$j]);
            $rows = array_keys($column);
            $sums = array_fill_keys($rows, 0.0);
            foreach ($rows as $at => $row) {
                $of = $inverse[$row];
                $by = $column[$row];
                $sum = $by * $of[$row];
                for ($next = $at + 1, $all = \count($rows); $next < $all; ++$next) {
                    $other = $rows[$next];
                    $value = $of[$other];
                    $sum += $column[$other] * $value;
                    $sums[$other] += $by * $value;
                }
                $sums[$row] += $sum;
            }
            $own = 1 / $pivot ** 2;
            $inverse[$j] = [];
            foreach ($sums as $row => $sum) {
                $inverse[$j][$row] = -$sum;
                $own += $column[$row] * $sum;
            }
            $inverse[$j][$j] = $own;
        }

        return array_reverse(array_values($inverse));
    }

    /**
     * @param array<int, float> $x
     *
     * @return array<int, float> L⁻¹·x, where all before is nought
     */
    private function forward(array $x, int $from): array
    {
        for ($k = $from, $n = \count($x); $k < $n; ++$k) {
            if (0.0 === $x[$k]) {
                continue;
            }
            $x[$k] /= $this->diagonal[$k];
            $by = $x[$k];
            foreach ($this->columns[$k] as $row => $value) {
                $x[$row] -= $value * $by;
            }
        }

        return $x;
    }
}
