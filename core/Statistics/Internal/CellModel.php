<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

/**
 * Least squares on the means of cells, weighted by how many values each has: what a model leaves of the squares between
 * cells. Blocks are swept out first, which is the same as a column for each of them (Frisch & Waugh 1933), however many they are.
 *
 * @internal
 */
final readonly class CellModel
{
    /** A column of which the others leave less than this share is one of theirs. */
    private const DEPENDENT = 1e-9;

    /**
     * @param array<int, float>    $means
     * @param array<int, int>      $weights values in each cell
     * @param array<int, int>|null $blocks  the block of each cell; null: a single mean for all of them
     */
    public function __construct(private array $means, private array $weights, private ?array $blocks)
    {
    }

    /**
     * @param array<int, array<int, float>> $columns one value for each cell
     *
     * @return array{float, int} squares that are left between cells, and how many numbers were fitted
     */
    public function left(array $columns): array
    {
        $basis = [];
        foreach ($columns as $column) {
            $column = $this->swept($column);
            $before = $this->dot($column, $column);
            foreach ([...$basis, ...$basis] as [$one, $length]) {
                $share = $this->dot($column, $one) / $length;
                foreach ($one as $i => $value) {
                    $column[$i] -= $share * $value;
                }
            }
            $length = $this->dot($column, $column);
            if ($length > self::DEPENDENT * max($before, 1e-300) && $length > self::DEPENDENT) {
                $basis[] = [$column, $length];
            }
        }
        $left = $this->swept($this->means);
        foreach ($basis as [$one, $length]) {
            $share = $this->dot($left, $one) / $length;
            foreach ($one as $i => $value) {
                $left[$i] -= $share * $value;
            }
        }

        return [$this->dot($left, $left), \count($basis) + (null === $this->blocks ? 1 : \count(array_unique($this->blocks)))];
    }

    /**
     * @param array<int, float> $column
     *
     * @return array<int, float> without the weighted mean of its block
     */
    private function swept(array $column): array
    {
        $sums = $weights = [];
        foreach ($column as $i => $value) {
            $block = $this->blocks[$i] ?? 0;
            $sums[$block] = ($sums[$block] ?? 0.0) + $this->weights[$i] * $value;
            $weights[$block] = ($weights[$block] ?? 0) + $this->weights[$i];
        }
        foreach ($column as $i => $value) {
            $block = $this->blocks[$i] ?? 0;
            $column[$i] = $value - $sums[$block] / $weights[$block];
        }

        return $column;
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     */
    private function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $this->weights[$i] * $value * $b[$i];
        }

        return $sum;
    }
}
