<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Test\Effort;
use Sitzplatz\Words\Sentence;

/** A log of prints with their conditions; see docs/formats.md. All or nothing: a table with any fault has no lines, only faults. */
final readonly class LogCsv
{
    private const NEEDED = ['material', 'surface', 'grade', 'held'];
    private const KNOWN = [
        'shop', 't', 'agent', 'side', 'sheet', 'printer', 'epoch', 'lot', 'kind', 'parts', 'minutes', 'released', 'effort', 'release_grade', 'true',
    ];
    private const YES = ['1', 'yes', 'true', 'y', '1.0'];
    private const NO = ['0', 'no', 'false', 'n', '0.0'];
    private const UNKNOWN = ['', 'na', 'null'];
    /** Begins the name of a sum, and of one for coming off. */
    private const SUM = 'x_';
    private const RELEASE_SUM = 'xr_';
    private const USUAL_MINUTES = 60.0;
    /** Nobody prints more, or longer; a sum beyond is a mistake of units. */
    private const MOST_PARTS = 10_000;
    private const MOST_MINUTES = 100_000.0;
    private const MOST_SUM = 50.0;
    /** Where practice says nothing of coming off, as much as this comes off clean (ours). */
    private const USUAL_RELEASE = 0.85;
    private const FAULTS = 20;

    /**
     * @param list<LogLine>                             $lines
     * @param list<array{line: int, message: Sentence}> $faults
     * @param list<Sentence>                            $remarks what of the table is left out
     */
    private function __construct(public array $lines, public array $faults, public array $remarks = [])
    {
    }

    /** @param iterable<string> $rows of the table, its head first */
    public static function read(iterable $rows): self
    {
        $heads = null;
        $separator = ',';
        $lines = $faults = $remarks = [];
        foreach ($rows as $number => $row) {
            $row = rtrim($row, "\r\n");
            if ('' === trim($row)) {
                continue;
            }
            if (!mb_check_encoding($row, 'UTF-8')) {
                return new self([], [['line' => $number + 1, 'message' => Sentence::of('table.not_utf8')]]);
            }
            if (null === $heads) {
                $row = str_replace("\u{FEFF}", '', $row);
                $separator = self::separator($row);
                $heads = array_map(strtolower(...), self::cells($row, $separator));
                if ([] !== array_diff(self::NEEDED, $heads) || \count($heads) !== \count(array_unique($heads))) {
                    return new self([], [['line' => $number + 1, 'message' => Sentence::of('log_csv.header', columns: implode(', ', self::NEEDED))]]);
                }
                $unknown = array_values(array_filter($heads, static fn (string $head): bool => !self::isKnown($head)));
                $remarks = array_map(static fn (string $head): Sentence => Sentence::of('log_csv.column', column: $head), $unknown);
                continue;
            }
            $cells = self::cells($row, $separator);
            $line = \count($cells) === \count($heads) ? self::line(array_combine($heads, $cells), $number) : Sentence::of('log_csv.cells');
            if ($line instanceof Sentence) {
                $faults[] = ['line' => $number + 1, 'message' => $line];
            } else {
                $lines[] = $line;
            }
            if (\count($faults) >= self::FAULTS) {
                break;
            }
        }
        if (null === $heads) {
            $faults[] = ['line' => 1, 'message' => Sentence::of('log_csv.header', columns: implode(', ', self::NEEDED))];
        }

        return [] === $faults ? new self($lines, [], $remarks) : new self([], $faults, $remarks);
    }

    private static function isKnown(string $head): bool
    {
        return \in_array($head, [...self::NEEDED, ...self::KNOWN], true) || str_starts_with($head, self::SUM) || str_starts_with($head, self::RELEASE_SUM);
    }

    /** A table of a spreadsheet where the comma marks decimals is parted by semicolons, or by tabs. */
    private static function separator(string $head): string
    {
        foreach ([';', "\t"] as $other) {
            if (substr_count($head, $other) > substr_count($head, ',')) {
                return $other;
            }
        }

        return ',';
    }

    /** @return list<string> */
    private static function cells(string $row, string $separator): array
    {
        return array_map(static fn (?string $cell): string => trim((string) $cell), str_getcsv($row, $separator, '"', ''));
    }

    /** @param array<string, string> $cell by its head */
    private static function line(array $cell, int $number): LogLine|Sentence
    {
        $practice = self::practice($cell['grade']);
        $ungraded = '' === ($cell['release_grade'] ?? '');
        $release = $ungraded ? self::USUAL_RELEASE : self::practice($cell['release_grade']);
        $held = self::answer($cell['held']);
        $released = self::answer($cell['released'] ?? '');
        $effort = self::number($cell['effort'] ?? '', 0.0, 4.0, null);
        $parts = self::number($cell['parts'] ?? '', 1.0, self::MOST_PARTS, 1.0);
        $minutes = self::number($cell['minutes'] ?? '', 0.0, self::MOST_MINUTES, self::USUAL_MINUTES);
        $time = self::number($cell['t'] ?? '', -1e12, 1e12, (float) $number);
        $sums = [];
        foreach ($cell as $head => $value) {
            if (str_starts_with($head, self::SUM) || str_starts_with($head, self::RELEASE_SUM)) {
                $sum = self::number($value, -self::MOST_SUM, self::MOST_SUM, 0.0);
                if (false === $sum) {
                    return Sentence::of('log_csv.number', column: $head, low: (string) -self::MOST_SUM, high: (string) self::MOST_SUM);
                }
                $sums[str_starts_with($head, self::SUM) ? substr($head, 2) : Situation::OF_RELEASE.substr($head, 3)] = $sum ?? 0.0;
            }
        }
        $wrong = match (true) {
            null === $practice => Sentence::of('log_csv.grade', column: 'grade'),
            null === $release => Sentence::of('log_csv.grade', column: 'release_grade'),
            false === $held => Sentence::of('log_csv.answer', column: 'held'),
            false === $released => Sentence::of('log_csv.answer', column: 'released'),
            false === $effort => Sentence::of('log_csv.number', column: 'effort', low: '0', high: '4'),
            false === $parts => Sentence::of('log_csv.number', column: 'parts', low: '1', high: (string) self::MOST_PARTS),
            false === $minutes => Sentence::of('log_csv.number', column: 'minutes', low: '0', high: (string) self::MOST_MINUTES),
            false === $time => Sentence::of('log_csv.number', column: 't', low: '-1e12', high: '1e12'),
            default => null,
        };
        if (null !== $wrong) {
            return $wrong;
        }
        $levels = self::levels($cell);
        $ofHolding = array_filter($sums, static fn (string $name): bool => !str_starts_with($name, Situation::OF_RELEASE), \ARRAY_FILTER_USE_KEY);
        $clean = 1 === $held ? match (true) {
            null !== $released => 1 === $released,
            null !== $effort => $effort <= Effort::Flex->value,
            default => null,
        } : null;

        return new LogLine(
            $cell['shop'] ?? '',
            $time ?? 0.0,
            Situation::of(self::logOdds($practice ?? 0.5), $ofHolding, (int) $parts, (float) $minutes, $cell['material'], $levels),
            Situation::of(
                self::logOdds($release ?? 0.5),
                $sums + ($ungraded ? [Situation::UNGRADED => 1.0] : []),
                (int) $parts,
                (float) $minutes,
                $cell['material'],
                $levels,
            ),
            implode("\0", [$cell['material'], $cell['side'] ?? $cell['surface'], $cell['agent'] ?? '']),
            null === $held ? null : 1 === $held,
            $clean,
        );
    }

    /**
     * @param array<string, string> $cell
     *
     * @return array<value-of<EffectKind>, string> of what is named
     */
    private static function levels(array $cell): array
    {
        $of = static fn (string $head): string => $cell[$head] ?? '';
        $levels = [
            EffectKind::Pair->value => $of('surface')."\0".$of('agent'),
            EffectKind::Surface->value => $of('surface'),
            EffectKind::Agent->value => $of('agent'),
            EffectKind::Side->value => $of('side'),
            EffectKind::Sheet->value => '' === $of('sheet') ? '' : $of('side')."\0".$of('sheet'),
            EffectKind::Printer->value => $of('printer'),
            EffectKind::Epoch->value => '' === $of('epoch') ? '' : $of('printer')."\0".$of('epoch'),
            EffectKind::Lot->value => $of('lot'),
            EffectKind::Purpose->value => $of('kind'),
        ];

        return array_filter($levels, static fn (string $level): bool => '' !== $level);
    }

    /** A grade by its word, or a share strictly between 0 and 1; null: neither. */
    private static function practice(string $grade): ?float
    {
        $share = self::number($grade, 1e-6, 1 - 1e-6, null);

        return \is_float($share) ? $share : Grade::tryFrom(strtolower($grade))?->share();
    }

    private static function logOdds(float $share): float
    {
        return log($share / (1 - $share));
    }

    /** @return 0|1|false|null null: nobody said */
    private static function answer(string $word): int|false|null
    {
        $word = strtolower($word);

        return match (true) {
            \in_array($word, self::YES, true) => 1,
            \in_array($word, self::NO, true) => 0,
            \in_array($word, self::UNKNOWN, true) => null,
            default => false,
        };
    }

    /** With a point or a comma; what is missing is the usual one. */
    private static function number(string $text, float $low, float $high, ?float $usual): float|false|null
    {
        if (\in_array(strtolower($text), self::UNKNOWN, true)) {
            return $usual;
        }
        $text = str_replace(',', '.', $text);

        return is_numeric($text) && (float) $text >= $low && (float) $text <= $high ? (float) $text : false;
    }
}
