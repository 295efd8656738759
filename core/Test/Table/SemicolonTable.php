<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Table;

use Sitzplatz\Test\TableFormat;
use Sitzplatz\Words\Sentence;

/** The usual table as a spreadsheet saves it where the comma marks decimals: semicolons between the cells (common practice). */
final readonly class SemicolonTable implements TableFormat
{
    private const HEADER = 'setup;run;measure;value;unit;status';

    public function key(): string
    {
        return 'semicolons';
    }

    public function words(): Sentence
    {
        return Sentence::of('table.semicolons');
    }

    public function recognises(array $lines): bool
    {
        return self::HEADER === trim(str_replace("\u{FEFF}", '', $lines[0] ?? ''));
    }

    public function usual(array $lines): array
    {
        return array_map(static function (string $line): string {
            $cells = explode(';', str_replace("\u{FEFF}", '', $line));
            if (isset($cells[3]) && 1 === preg_match('/^\s*[+-]?\d*,\d+\s*$/', $cells[3])) {
                $cells[3] = str_replace(',', '.', $cells[3]);
            }

            return implode(',', $cells);
        }, $lines);
    }
}
