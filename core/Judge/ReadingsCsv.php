<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\Reading;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Readings as a CSV table: header `setup,run,measure,value,unit,status`; see docs/formats.md. All or nothing: a table
 * with any fault has no rows, only faults.
 */
final readonly class ReadingsCsv
{
    public const HEADER = ['setup', 'run', 'measure', 'value', 'unit', 'status'];
    public const MOST_ROWS = 200_000;

    /**
     * @param list<array{line: int, setup: string, run: string, reading: ?Reading, value: float, unit: string}> $rows   reading is null for a void row
     * @param list<array{line: int, message: Sentence}>                                                         $faults
     */
    private function __construct(public array $rows, public array $faults)
    {
    }

    /** @param iterable<string> $lines the lines of the file, the header first */
    public static function read(iterable $lines, Measures $measures = new Measures()): self
    {
        $rows = [];
        $faults = [];
        $header = null;
        $number = 0;
        foreach ($lines as $line) {
            ++$number;
            $line = rtrim($line, "\r\n");
            if (1 === $number) {
                $line = preg_replace('/^\xEF\xBB\xBF/', '', $line) ?? $line;
            }
            if ('' === trim($line)) {
                continue;
            }
            if (!mb_check_encoding($line, 'UTF-8')) {
                $faults[] = ['line' => $number, 'message' => Sentence::of('table.not_utf8')];
                continue;
            }
            $cells = array_map(trim(...), array_map(strval(...), str_getcsv($line, ',', '"', '')));
            if (null === $header) {
                $header = array_map(strtolower(...), $cells);
                if (self::HEADER !== $header) {
                    return new self([], [['line' => $number, 'message' => Sentence::of('table.header', header: implode(',', self::HEADER))]]);
                }
                continue;
            }
            if (\count($rows) >= self::MOST_ROWS) {
                return new self([], [['line' => $number, 'message' => Sentence::of('table.too_long', most: Quantity::count(self::MOST_ROWS))]]);
            }
            $fault = self::row($cells, $number, $rows, $measures);
            if (null !== $fault) {
                $faults[] = ['line' => $number, 'message' => $fault];
            }
        }
        if (null === $header) {
            $faults[] = ['line' => 1, 'message' => Sentence::of('table.empty', header: implode(',', self::HEADER))];
        } elseif ([] === $rows && [] === $faults) {
            $faults[] = ['line' => $number, 'message' => Sentence::of('table.no_readings')];
        }
        foreach (self::repeated($rows) as $fault) {
            $faults[] = $fault;
        }
        usort($faults, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);

        return new self([] === $faults ? $rows : [], $faults);
    }

    /**
     * The table that {@see read} reads: values in the stored unit of their measure.
     *
     * @param list<array{setup: string, run: int, reading: Reading, void: bool}> $rows
     */
    public static function write(array $rows): string
    {
        $lines = [implode(',', self::HEADER)];
        foreach ($rows as ['setup' => $setup, 'run' => $run, 'reading' => $reading, 'void' => $void]) {
            $status = $void ? 'void' : ($reading->atLeast ? 'at_least' : 'exact');
            $value = json_encode($reading->value, \JSON_THROW_ON_ERROR);
            $lines[] = implode(',', [$setup, $run, $reading->measure->key(), $value, $reading->measure->units()[0], $status]);
        }

        return implode("\n", $lines)."\n";
    }

    /**
     * The readings grouped by setup, in file order. Rows with the same run belong to one run; rows without a run
     * number stand for a run each.
     *
     * @return list<SetupRecord>
     */
    public function records(): array
    {
        $setups = [];
        foreach ($this->rows as $i => $row) {
            $setups[$row['setup']] ??= [];
            if (null !== $row['reading']) {
                $run = '' === $row['run'] ? "row/$i" : 'run/'.$row['run'];
                $setups[$row['setup']][$run][] = $row['reading'];
            }
        }
        $records = [];
        foreach ($setups as $name => $runs) {
            $records[] = new SetupRecord((string) $name, array_values($runs));
        }

        return $records;
    }

    /**
     * @param list<string>                                                                                      $cells
     * @param list<array{line: int, setup: string, run: string, reading: ?Reading, value: float, unit: string}> $rows
     */
    private static function row(array $cells, int $number, array &$rows, Measures $measures): ?Sentence
    {
        if (\count($cells) !== \count(self::HEADER)) {
            return Sentence::of(
                'table.cells',
                cells: Quantity::count(\count($cells)),
                wanted: Quantity::count(\count(self::HEADER)),
                header: implode(',', self::HEADER),
            );
        }
        [$setup, $run, $name, $value, $unit, $status] = $cells;
        if ('' === $setup) {
            return Sentence::of('table.no_setup');
        }
        $measure = $measures->of($name);
        if (null === $measure) {
            return $measures->none($name);
        }
        if (!\in_array($status, ['exact', 'at_least', 'void'], true)) {
            return Sentence::of('table.status', given: $status);
        }
        if ('void' === $status && '' === $value) {
            $value = '0';
        }
        if (1 !== preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/', $value)) {
            return Sentence::of('table.number', given: $value);
        }
        $reading = null;
        if ('void' !== $status) {
            try {
                $reading = Reading::entered($measure, (float) $value, $unit, 'at_least' === $status);
            } catch (BadReading $e) {
                return $e->sentence;
            }
        }
        $rows[] = ['line' => $number, 'setup' => $setup, 'run' => $run, 'reading' => $reading, 'value' => (float) $value, 'unit' => $unit];

        return null;
    }

    /**
     * A run gives one reading of a measure, apart from lift, which has an end each.
     *
     * @param list<array{line: int, setup: string, run: string, reading: ?Reading, value: float, unit: string}> $rows
     *
     * @return list<array{line: int, message: Sentence}>
     */
    private static function repeated(array $rows): array
    {
        $seen = [];
        $faults = [];
        foreach ($rows as $row) {
            if ('' === $row['run'] || null === $row['reading'] || $row['reading']->measure->places() > 1) {
                continue;
            }
            $key = $row['setup']."\0".$row['run']."\0".$row['reading']->measure->key();
            if (isset($seen[$key])) {
                $faults[] = [
                    'line' => $row['line'],
                    'message' => Sentence::of(
                        'table.repeated',
                        run: $row['run'],
                        setup: $row['setup'],
                        measure: $row['reading']->measure->words(),
                        line: Quantity::count($seen[$key]),
                    ),
                ];
            }
            $seen[$key] ??= $row['line'];
        }

        return $faults;
    }
}
