<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What the columns of a table as people keep it hold: a line a run, a column a measure. It is rewritten as the usual table,
 * a line a reading; which line each came from is kept, so that faults are told where they stand.
 */
final readonly class TableMatch
{
    public const USUAL = ['setup', 'run', 'measure', 'value', 'unit', 'status'];
    /** What says yes and no in tables. */
    private const YES = ['yes', 'y', 'ok', 'held', 'x', 'true', 'ja', 'oui', 'si'];
    private const NO = ['no', 'n', 'fail', 'failed', 'false', 'lifted', 'off', 'nein', 'non'];
    /** What stands where nothing was read. */
    private const NOTHING = ['', '-', '–', '—', 'n/a', 'na', '?', '.'];
    /** What a heading tells of its column, the most telling first. */
    private const HEADINGS = [
        'pull_hot' => '/(?<!\pL)hot/u',
        'pull_cold' => '/cold|pull|force/',
        'lift' => '/lift|warp|curl/',
        'held' => '/held|hold|stuck|result/',
        'effort' => '/effort|release(?!.?temp)|removal/u',
        'release_temp' => '/(?<!\pL)temp/u',
        'damage' => '/damage|harm|chip/',
        'print_minutes' => '/minutes|time/',
    ];
    private const UNITS = [
        'kgf' => ['kg', 'kgf'], 'lbf' => ['lb', 'lbf', 'lbs'], 'N' => ['n', 'newton'],
        'mm' => ['mm'], 'in' => ['in', 'inch'], '°C' => ['°c', 'c'], '°F' => ['°f', 'f'], 'min' => ['min'],
    ];

    /**
     * @param list<array{column: int, measure: string, unit: string}> $readings
     * @param array<string, string>                                   $setups   label by what the table calls it
     */
    public function __construct(public ?int $setupColumn, public ?int $runColumn, public array $readings, public array $setups = [])
    {
    }

    /** Whether the table is the usual one, whose columns need no match. */
    public static function isUsual(string $heading): bool
    {
        return self::USUAL === array_map(static fn (string $cell): string => strtolower(trim($cell)), self::cells($heading, ','));
    }

    /** What the heading tells by itself; whoever knows better says so. */
    public static function guess(string $heading, Measures $measures): self
    {
        $setup = $run = null;
        $readings = [];
        $taken = [];
        foreach (self::head($heading) as $column => $cell) {
            $name = mb_strtolower($cell);
            if (null === $setup && 1 === preg_match('/\b(setup|plate|surface)\b/u', $name)) {
                $setup = $column;
            } elseif (null === $run && 1 === preg_match('/\b(run|no|nr|number|print)\b|#/u', $name)) {
                $run = $column;
            } else {
                $measure = self::measure($name, $taken, $measures);
                if (null !== $measure) {
                    $taken[] = $measure->key();
                    $readings[] = ['column' => $column, 'measure' => $measure->key(), 'unit' => self::unit($name, $measure)];
                }
            }
        }

        return new self($setup, $run, $readings);
    }

    /** @return list<string> the cells of the first line */
    public static function head(string $heading): array
    {
        return self::cells($heading, self::separator($heading));
    }

    /** By which a table is known again. */
    public static function signature(string $heading): string
    {
        return hash('sha256', mb_strtolower(implode("\u{1f}", self::head($heading))));
    }

    /**
     * @param list<string> $lines the heading first
     *
     * @return array{list<string>, list<int>} lines of the usual table, and the line from which each comes, from 1
     */
    public function usual(array $lines, Measures $measures): array
    {
        $separator = self::separator($lines[0] ?? '');
        $rows = [implode(',', self::USUAL)];
        $from = [1];
        foreach ($lines as $i => $line) {
            if (0 === $i || '' === trim($line)) {
                continue;
            }
            $cells = self::cells($line, $separator);
            $setup = null === $this->setupColumn ? '' : $cells[$this->setupColumn] ?? '';
            $run = null === $this->runColumn ? 'line '.($i + 1) : $cells[$this->runColumn] ?? '';
            foreach ($this->readings as ['column' => $column, 'measure' => $measure, 'unit' => $unit]) {
                $said = self::value($cells[$column] ?? '', $measures->of($measure));
                if (null !== $said) {
                    $rows[] = implode(',', array_map(self::quoted(...), [$this->setups[$setup] ?? $setup, $run, $measure, $said[0], $unit, $said[1]]));
                    $from[] = $i + 1;
                }
            }
        }

        return [$rows, $from];
    }

    /**
     * The usual table with the setups that it calls otherwise called as they are here.
     *
     * @param list<string> $lines
     *
     * @return list<string>
     */
    public function renamed(array $lines): array
    {
        return [] === $this->setups ? $lines : array_map(function (string $line): string {
            $cells = self::cells($line, ',');
            $cells[0] = $this->setups[$cells[0] ?? ''] ?? $cells[0] ?? '';

            return implode(',', array_map(self::quoted(...), $cells));
        }, $lines);
    }

    /** @return array{string, string}|null value and status; null: nothing was read */
    private static function value(string $cell, ?Measured $measure): ?array
    {
        $said = mb_strtolower(trim($cell));
        if (\in_array($said, self::NOTHING, true)) {
            return null;
        }
        if ('void' === $said) {
            return ['', 'void'];
        }
        if (MeasureScale::YesNo === $measure?->scale() && (\in_array($said, self::YES, true) || \in_array($said, self::NO, true))) {
            return [\in_array($said, self::YES, true) ? '1' : '0', 'exact'];
        }
        $atLeast = 1 === preg_match('/^(>=?|≥)\s*(.+)$|^(.+?)\s*\+$/u', $said, $parts);
        $number = $atLeast ? ($parts[2] ?? '').($parts[3] ?? '') : $said;

        return [1 === preg_match('/^[+-]?\d*,\d+$/', $number) ? str_replace(',', '.', $number) : $number, $atLeast ? 'at_least' : 'exact'];
    }

    /** @param list<string> $taken measures that other columns hold */
    private static function measure(string $name, array $taken, Measures $measures): ?Measured
    {
        foreach (self::HEADINGS as $key => $pattern) {
            $measure = 1 === preg_match($pattern, $name) ? $measures->of($key) : null;
            // A lift is read at both ends.
            if (null !== $measure && \count(array_keys($taken, $key, true)) < $measure->places()) {
                return $measure;
            }
        }

        return $measures->of(trim($name));
    }

    private static function unit(string $name, Measured $measure): string
    {
        preg_match_all('/[\p{L}°]+/u', $name, $words);
        foreach ($measure->units() as $unit) {
            foreach (self::UNITS[$unit] ?? [] as $word) {
                if (\in_array($word, $words[0], true)) {
                    return $unit;
                }
            }
        }

        return $measure->units()[0];
    }

    private static function separator(string $heading): string
    {
        $counts = ["\t" => substr_count($heading, "\t"), ';' => substr_count($heading, ';'), ',' => substr_count($heading, ',')];
        arsort($counts);

        return (string) array_key_first($counts);
    }

    /** @return list<string> */
    private static function cells(string $line, string $separator): array
    {
        $cells = str_getcsv(rtrim(str_replace("\u{FEFF}", '', $line), "\r\n"), $separator, '"', '');

        return array_map(static fn (?string $cell): string => trim((string) $cell), $cells);
    }

    private static function quoted(string $cell): string
    {
        return 1 === preg_match('/[",\r\n]/', $cell) ? '"'.str_replace('"', '""', $cell).'"' : $cell;
    }
}
