<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Puts readings from a table into the planned runs of a comparison: each run number of a setup takes the next open run
 * of that setup whose pull fits; rows without a run number fill the open runs one measure at a time, in file order.
 */
final readonly class PaperRuns
{
    /**
     * @param array<string, array{readings: list<Reading>, void: bool}> $runs   by the id of the planned run
     * @param list<array{line: int, message: Sentence}>                 $faults none if everything found its place
     */
    private function __construct(public array $runs, public array $faults)
    {
    }

    /**
     * @param list<array{line: int, setup: string, run: string, reading: ?Reading}> $rows  reading is null for a void row
     * @param list<array{id: string, setup: string, pull: PullKind}>                $open  runs that are still planned, in order
     * @param list<string>                                                          $names setups that the comparison has
     */
    public static function assign(array $rows, array $open, array $names): self
    {
        $faults = [];
        $groups = [];
        // All that is not known, each once: whoever says what it is says it for all its lines.
        foreach (self::unknown($rows, $names) as $setup => ['line' => $line, 'rows' => $times]) {
            $faults[] = [
                'line' => $line,
                'message' => Sentence::of('paper.no_setup', setup: (string) $setup, rows: Quantity::count($times), setups: Listing::of($names, Joined::Comma)),
            ];
        }
        foreach ($rows as $row) {
            if (!\in_array($row['setup'], $names, true)) {
                continue;
            }
            $groups['' === $row['run'] ? 'rows' : 'runs'][$row['setup']."\0".$row['run']][] = $row;
        }
        $taken = [];
        foreach ($groups['runs'] ?? [] as $group) {
            $first = $group[0];
            $readings = array_values(array_filter(array_column($group, 'reading')));
            $pull = self::pullOf($readings);
            if (false === $pull) {
                $faults[] = ['line' => $first['line'], 'message' => Sentence::of('paper.two_pulls', run: $first['run'], setup: $first['setup'])];
                continue;
            }
            $run = self::next($open, $taken, $first['setup'], $pull);
            if (null === $run) {
                $faults[] = ['line' => $first['line'], 'message' => self::noneLeft($first['setup'], $pull)];
                continue;
            }
            $taken[$run] = ['readings' => $readings, 'void' => [] === $readings];
        }
        foreach ($groups['rows'] ?? [] as $group) {
            foreach ($group as $row) {
                if (null === $row['reading']) {
                    continue;
                }
                $run = self::nextWithout($open, $taken, $row['setup'], $row['reading']->measure, [] !== array_keys($groups['runs'] ?? []));
                if (null === $run) {
                    $faults[] = ['line' => $row['line'], 'message' => self::noneLeft($row['setup'], self::pullOf([$row['reading']]) ?: null)];
                    continue;
                }
                $taken[$run]['readings'][] = $row['reading'];
                $taken[$run]['void'] = false;
            }
        }
        usort($faults, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);

        return new self([] === $faults ? $taken : [], $faults);
    }

    /**
     * @param list<array{line: int, setup: string, run: string, reading: ?Reading}> $rows
     * @param list<string>                                                          $names setups that the comparison has
     *
     * @return array<string, array{line: int, rows: int}> by what the table calls a setup that is not there: its first line, and how many
     */
    public static function unknown(array $rows, array $names): array
    {
        $unknown = [];
        foreach ($rows as $row) {
            if (!\in_array($row['setup'], $names, true)) {
                $unknown[$row['setup']] ??= ['line' => $row['line'], 'rows' => 0];
                ++$unknown[$row['setup']]['rows'];
            }
        }

        return $unknown;
    }

    /**
     * @param list<Reading> $readings
     *
     * @return PullKind|false|null null: no pull among them; false: both kinds
     */
    private static function pullOf(array $readings): PullKind|false|null
    {
        $pull = null;
        foreach ($readings as $reading) {
            $here = match ($reading->measure) {
                Measure::PullHot => PullKind::Hot,
                Measure::PullCold => PullKind::Cold,
                default => $pull,
            };
            if (null !== $pull && $here !== $pull) {
                return false;
            }
            $pull = $here;
        }

        return $pull;
    }

    /**
     * @param list<array{id: string, setup: string, pull: PullKind}> $open
     * @param array<string, mixed>                                   $taken
     */
    private static function next(array $open, array $taken, string $setup, ?PullKind $pull): ?string
    {
        foreach ($open as $run) {
            if ($run['setup'] === $setup && !isset($taken[$run['id']]) && (null === $pull || $run['pull'] === $pull)) {
                return $run['id'];
            }
        }

        return null;
    }

    /**
     * @param list<array{id: string, setup: string, pull: PullKind}>    $open
     * @param array<string, array{readings: list<Reading>, void: bool}> $taken
     */
    private static function nextWithout(array $open, array $taken, string $setup, Measured $measure, bool $numbered): ?string
    {
        foreach ($open as $run) {
            if ($run['setup'] !== $setup || ($measure instanceof Measure && $measure->isForce() && $run['pull']->measure() !== $measure)) {
                continue;
            }
            $has = array_map(static fn (Reading $reading): Measured => $reading->measure, $taken[$run['id']]['readings'] ?? []);
            if (!\in_array($measure, $has, true) && !($numbered && ($taken[$run['id']]['void'] ?? false))) {
                return $run['id'];
            }
        }

        return null;
    }

    private static function noneLeft(string $setup, ?PullKind $pull): Sentence
    {
        return null === $pull
            ? Sentence::of('paper.none_left', setup: $setup)
            : Sentence::of('paper.none_left_'.$pull->value, setup: $setup);
    }
}
