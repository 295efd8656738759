<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;

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
     * @param list<array{line: int, message: string}>                                                           $faults
     */
    private function __construct(public array $rows, public array $faults)
    {
    }

    /** @param iterable<string> $lines the lines of the file, the header first */
    public static function read(iterable $lines): self
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
                $faults[] = ['line' => $number, 'message' => 'This line is not UTF-8 text. Save the table as CSV in UTF-8.'];
                continue;
            }
            $cells = array_map(trim(...), array_map(strval(...), str_getcsv($line, ',', '"', '')));
            if (null === $header) {
                $header = array_map(strtolower(...), $cells);
                if (self::HEADER !== $header) {
                    return new self([], [['line' => $number, 'message' => \sprintf('The first line has to be: %s', implode(',', self::HEADER))]]);
                }
                continue;
            }
            if (\count($rows) >= self::MOST_ROWS) {
                return new self([], [['line' => $number, 'message' => \sprintf('More than %d readings: split the table.', self::MOST_ROWS)]]);
            }
            $fault = self::row($cells, $number, $rows);
            if (null !== $fault) {
                $faults[] = ['line' => $number, 'message' => $fault];
            }
        }
        if (null === $header) {
            $faults[] = ['line' => 1, 'message' => \sprintf('The file is empty. The first line has to be: %s', implode(',', self::HEADER))];
        } elseif ([] === $rows && [] === $faults) {
            $faults[] = ['line' => $number, 'message' => 'There are no readings below the header.'];
        }
        foreach (self::repeated($rows) as $fault) {
            $faults[] = $fault;
        }
        usort($faults, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);

        return new self([] === $faults ? $rows : [], $faults);
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
                $run = '' === $row['run'] ? "row $i" : 'run '.$row['run'];
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
    private static function row(array $cells, int $number, array &$rows): ?string
    {
        if (\count($cells) !== \count(self::HEADER)) {
            return \sprintf('%d cells where there should be %d: %s', \count($cells), \count(self::HEADER), implode(',', self::HEADER));
        }
        [$setup, $run, $name, $value, $unit, $status] = $cells;
        if ('' === $setup) {
            return 'The setup is missing.';
        }
        $measure = Measure::tryFrom($name);
        if (null === $measure) {
            return \sprintf('"%s" is not a measure. Use one of: %s', $name, implode(', ', array_column(Measure::cases(), 'value')));
        }
        if (!\in_array($status, ['exact', 'at_least', 'void'], true)) {
            return \sprintf('"%s" is not a status. Use exact, at_least or void.', $status);
        }
        if ('void' === $status && '' === $value) {
            $value = '0';
        }
        if (1 !== preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/', $value)) {
            return \sprintf('"%s" is not a number. Write it with a point, like 12.5.', $value);
        }
        $reading = null;
        if ('void' !== $status) {
            try {
                $reading = Reading::entered($measure, (float) $value, $unit, 'at_least' === $status);
            } catch (BadReading $e) {
                return $e->getMessage();
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
     * @return list<array{line: int, message: string}>
     */
    private static function repeated(array $rows): array
    {
        $seen = [];
        $faults = [];
        foreach ($rows as $row) {
            if ('' === $row['run'] || null === $row['reading'] || Measure::Lift === $row['reading']->measure) {
                continue;
            }
            $key = $row['setup']."\0".$row['run']."\0".$row['reading']->measure->value;
            if (isset($seen[$key])) {
                $faults[] = ['line' => $row['line'], 'message' => \sprintf('Run %s of %s already has %s in line %d.', $row['run'], $row['setup'], $row['reading']->measure->value, $seen[$key])];
            }
            $seen[$key] ??= $row['line'];
        }

        return $faults;
    }
}
