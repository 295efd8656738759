<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** A log of prints for use as a table; see docs/formats.md. All or nothing: a table with any fault has no lines, only faults. */
final readonly class JobsCsv
{
    public const HEADER = [
        'began', 'printer', 'plate', 'agent', 'lot', 'material', 'bed', 'room', 'title', 'parts', 'minutes', 'ended', 'how_off', 'damaged', 'note',
    ];
    public const MOST_LINES = 500;
    private const NEEDED = ['began', 'printer', 'plate', 'title'];
    private const EFFORTS = [
        'loose' => Effort::Loose,
        'finger' => Effort::Finger,
        'flex' => Effort::Flex,
        'scraper' => Effort::Scraper,
        'bonded' => Effort::Bonded,
    ];
    private const LONGEST_TITLE = 160;
    private const LONGEST = 500;

    /**
     * @param list<JobsCsvLine>                         $lines
     * @param list<array{line: int, message: Sentence}> $faults
     */
    private function __construct(public array $lines, public array $faults)
    {
    }

    public static function read(string $table): self
    {
        if (!mb_check_encoding($table, 'UTF-8')) {
            return new self([], [['line' => 1, 'message' => Sentence::of('table.not_utf8')]]);
        }
        $rows = preg_split('/\r\n|\r|\n/', rtrim(str_replace("\u{FEFF}", '', $table))) ?: [];
        $heads = array_map(static fn (string $head): string => strtolower(trim($head)), self::cells($rows[0] ?? ''));
        $missing = array_diff(self::NEEDED, $heads);
        $unknown = array_diff($heads, self::HEADER);
        if ([] !== $missing || [] !== $unknown) {
            return new self([], [['line' => 1, 'message' => Sentence::of('jobs_csv.header', columns: implode(', ', self::HEADER))]]);
        }
        if (\count($rows) - 1 > self::MOST_LINES) {
            return new self([], [['line' => self::MOST_LINES + 2, 'message' => Sentence::of('jobs_csv.too_many', most: (string) self::MOST_LINES)]]);
        }
        $lines = $faults = [];
        foreach (\array_slice($rows, 1, null, true) as $i => $row) {
            if ('' === trim($row)) {
                continue;
            }
            $cells = self::cells($row);
            $line = \count($cells) > \count($heads)
                ? Sentence::of('jobs_csv.more_cells')
                : self::line($i + 1, array_combine($heads, array_pad($cells, \count($heads), '')));
            if ($line instanceof Sentence) {
                $faults[] = ['line' => $i + 1, 'message' => $line];
            } else {
                $lines[] = $line;
            }
        }

        return [] === $faults ? new self($lines, []) : new self([], $faults);
    }

    /** @return list<string> */
    private static function cells(string $row): array
    {
        return array_map(static fn (?string $cell): string => trim((string) $cell), str_getcsv($row, ',', '"', ''));
    }

    /** @param array<string, string> $cell by its head */
    private static function line(int $number, array $cell): JobsCsvLine|Sentence
    {
        $of = static fn (string $head): string => $cell[$head] ?? '';
        $began = 1 === preg_match('/^\d{4}-\d\d-\d\d[T ]\d\d:\d\d/', $of('began')) ? date_create_immutable($of('began'), new \DateTimeZone('UTC')) : false;
        $ended = '' === $of('ended') ? null : Outcome::tryFrom($of('ended'));
        $effort = '' === $of('how_off') ? null : self::EFFORTS[$of('how_off')] ?? (ctype_digit($of('how_off')) ? Effort::tryFrom((int) $of('how_off')) : null);

        $empty = array_filter(self::NEEDED, static fn (string $head): bool => '' === $of($head));
        $long = array_filter($cell, static fn (string $text): bool => mb_strlen($text) > self::LONGEST);
        $wholeParts = '' === $of('parts') || ctype_digit($of('parts'));

        return match (true) {
            false === $began => Sentence::of('jobs_csv.began'),
            [] !== $empty => Sentence::of('jobs_csv.empty', columns: implode(', ', self::NEEDED)),
            [] !== $long, mb_strlen($of('title')) > self::LONGEST_TITLE => Sentence::of('jobs_csv.long'),
            !self::number($of('bed'), 0, 500) => self::range('bed', '0', '500'),
            !self::number($of('room'), -20, 60) => self::range('room', '-20', '60'),
            !$wholeParts, !self::number($of('parts'), 1, 500) => self::range('parts', '1', '500'),
            !self::number($of('minutes'), 0.1, 20_000) => self::range('minutes', '0.1', '20000'),
            null === $ended && '' !== $of('ended') => Sentence::of('jobs_csv.ended', words: implode(', ', array_column(Outcome::cases(), 'value'))),
            null === $effort && '' !== $of('how_off') => Sentence::of('jobs_csv.how_off', words: implode(', ', array_keys(self::EFFORTS))),
            true === $ended?->pullPossible() && null === $effort => Sentence::of('job_life.say_effort'),
            !\in_array($of('damaged'), ['', 'yes', 'no'], true) => Sentence::of('jobs_csv.damaged'),
            default => new JobsCsvLine(
                $number,
                $began->format(\DATE_ATOM),
                $of('printer'),
                $of('plate'),
                $of('agent'),
                $of('lot'),
                $of('material'),
                '' === $of('bed') ? null : (float) $of('bed'),
                '' === $of('room') ? null : (float) $of('room'),
                $of('title'),
                '' === $of('parts') ? 1 : (int) $of('parts'),
                '' === $of('minutes') ? null : (float) $of('minutes'),
                $ended,
                $effort,
                'yes' === $of('damaged'),
                $of('note'),
            ),
        };
    }

    private static function range(string $column, string $low, string $high): Sentence
    {
        return Sentence::of('jobs_csv.number', column: $column, low: $low, high: $high);
    }

    private static function number(string $text, float $low, float $high): bool
    {
        return '' === $text || (is_numeric($text) && (float) $text >= $low && (float) $text <= $high);
    }
}
