<?php

declare(strict_types=1);

namespace App\Platform\Http;

/** Cells of a table that somebody opens in a spreadsheet. */
final class Cells
{
    /**
     * What somebody wrote stays text: a spreadsheet takes what begins with one of these for a formula.
     *
     * @param list<string> $cells
     *
     * @return list<string>
     */
    public static function harmless(array $cells): array
    {
        return array_map(static fn (string $cell): string => 1 === preg_match('/^[=+\-@\t\r]/', $cell) ? "'".$cell : $cell, $cells);
    }
}
