<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\CellModel;

/**
 * Analysis of variance of crossed factors with all their interactions, along blocks where there are any. Each term is
 * tested beyond all terms that do not contain it (Yates 1934; with equal numbers in all cells the order does not matter),
 * against what the values of one cell scatter within their blocks.
 */
final readonly class FactorialAnova
{
    /** @param list<VarianceLine> $lines the single factors first, then their interactions, then the blocks */
    private function __construct(public array $lines, public float $errorSquares, public int $errorDf)
    {
    }

    /**
     * @param list<array{levels: list<string>, block: string, value: float}> $values the same number of levels in each
     *
     * @throws InvalidArgument if a factor has a single level, too few values are left for the error, or they do not scatter
     */
    public static function of(array $values): self
    {
        [$cells, $within] = self::cells($values);
        $factors = \count($cells[0]['levels'] ?? []);
        $levels = [];
        for ($i = 0; $i < $factors; ++$i) {
            $levels[$i] = array_values(array_unique(array_map(static fn (array $cell): string => $cell['levels'][$i], $cells)));
            if (\count($levels[$i]) < 2) {
                throw InvalidArgument::tooFew(\count($levels[$i]), 2);
            }
        }
        if (0 === $factors) {
            throw InvalidArgument::tooFew(0, 2);
        }
        $names = array_values(array_unique(array_column($cells, 'block')));
        $means = array_column($cells, 'mean');
        $weights = array_column($cells, 'n');
        $blocked = new CellModel($means, $weights, array_map(static fn (array $cell): int => (int) array_search($cell['block'], $names, true), $cells));
        $terms = self::terms($factors);
        $columns = array_map(static fn (array $term): array => self::columns($term, $levels, $cells), $terms);
        [$between, $rank] = $blocked->left(array_merge(...$columns));
        $df = \count($values) - $rank;
        $error = $between + $within;
        if ($df < 1) {
            throw InvalidArgument::tooFew(\count($values), $rank + 1);
        }
        if ($error <= 0) {
            throw InvalidArgument::noSpread(\count($values));
        }
        $lines = [];
        foreach ($terms as $i => $term) {
            $others = array_merge([], ...array_values(array_filter(
                $columns,
                static fn (int $other): bool => [] !== array_diff($term, $terms[$other]),
                \ARRAY_FILTER_USE_KEY,
            )));
            $lines[] = self::line($term, $blocked->left($others), $blocked->left([...$others, ...$columns[$i]]), $error, $df);
        }
        if (\count($names) > 1) {
            $lines[] = self::line([], (new CellModel($means, $weights, null))->left(array_merge(...$columns)), [$between, $rank], $error, $df);
        }

        return new self(array_values(array_filter($lines)), $error, $df);
    }

    /**
     * @param list<int>         $term
     * @param array{float, int} $without squares left and numbers fitted
     * @param array{float, int} $with
     */
    private static function line(array $term, array $without, array $with, float $error, int $errorDf): ?VarianceLine
    {
        $df = $with[1] - $without[1];
        if ($df < 1) {
            return null;
        }
        $squares = max(0.0, $without[0] - $with[0]);
        $statistic = $squares / $df / ($error / $errorDf);

        return new VarianceLine($term, $squares, $df, $statistic, (new FisherF($df, $errorDf))->upperP($statistic));
    }

    /** @return list<non-empty-list<int>> every single factor, every pair of them, and so on */
    private static function terms(int $factors): array
    {
        $terms = [];
        for ($mask = 1; $mask < 2 ** $factors; ++$mask) {
            $term = array_values(array_filter(range(0, $factors - 1), static fn (int $i): bool => 0 !== ($mask >> $i & 1)));
            if ([] !== $term) {
                $terms[] = $term;
            }
        }
        usort($terms, static fn (array $a, array $b): int => [\count($a), $a] <=> [\count($b), $b]);

        return $terms;
    }

    /**
     * @param non-empty-list<int>                                                   $term
     * @param array<int, list<string>>                                              $levels of each factor
     * @param list<array{levels: list<string>, block: string, n: int, mean: float}> $cells
     *
     * @return list<list<float>> one less than it has levels, multiplied with those of the other factors
     */
    private static function columns(array $term, array $levels, array $cells): array
    {
        $columns = [array_fill(0, \count($cells), 1.0)];
        foreach ($term as $factor) {
            $next = [];
            foreach ($columns as $column) {
                foreach (\array_slice($levels[$factor], 1) as $level) {
                    $product = [];
                    foreach ($cells as $i => $cell) {
                        $product[] = $cell['levels'][$factor] === $level ? $column[$i] : 0.0;
                    }
                    $next[] = $product;
                }
            }
            $columns = $next;
        }

        return $columns;
    }

    /**
     * @param list<array{levels: list<string>, block: string, value: float}> $values
     *
     * @return array{list<array{levels: list<string>, block: string, n: int, mean: float}>, float} the cells, and the squares within them
     */
    private static function cells(array $values): array
    {
        $found = [];
        foreach ($values as $value) {
            $key = serialize([$value['levels'], $value['block']]);
            $found[$key] ??= ['levels' => $value['levels'], 'block' => $value['block'], 'values' => []];
            $found[$key]['values'][] = $value['value'];
        }
        $cells = [];
        $within = 0.0;
        foreach ($found as $cell) {
            $sample = new Sample($cell['values']);
            $within += ((float) $sample->sd) ** 2 * ($sample->n - 1);
            $cells[] = ['levels' => $cell['levels'], 'block' => $cell['block'], 'n' => $sample->n, 'mean' => (float) $sample->mean];
        }

        return [$cells, $within];
    }
}
