<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What waits at several printers, laid out at once: each makes its runs in their order, one after the other, and a plate is
 * on one printer at a time (list scheduling: whatever can begin first, begins first; Graham 1966, from memory). As for a
 * single bench no run is begun that would not end within its day, unless it is the first of it.
 */
final readonly class BenchPlan
{
    /** @param array<string, list<PlacedRun>> $runs by printer */
    private function __construct(
        public array $runs,
        public int $days,
        /** What somebody has to stand by for, at all benches together. */
        public float $handsMinutes,
    ) {
    }

    /** @param array<string, list<BenchRun>> $queues by printer, in their order */
    public static function of(array $queues, float $dayMinutes = Timetable::DAY_MINUTES): self
    {
        $placed = array_map(static fn (): array => [], $queues);
        $free = array_map(static fn (): float => 0.0, $queues);
        $plates = [];
        $days = 0;
        $hands = 0.0;
        while ([] !== ($waiting = array_filter($queues))) {
            $next = null;
            foreach ($waiting as $printerId => $queue) {
                [$plateFree, $at] = $plates[$queue[0]->plateId] ?? [0.0, $printerId];
                $could = self::begin($free[$printerId], $queue[0]->minutes(), $dayMinutes);
                $can = self::begin(max($free[$printerId], $plateFree), $queue[0]->minutes(), $dayMinutes);
                if (null === $next || $can < $next['can'] - 1e-9) {
                    $next = ['can' => $can, 'printer' => $printerId, 'waits' => $can - $could, 'at' => $at];
                }
            }
            $run = array_shift($queues[$next['printer']]);
            if (null === $run) {
                break;
            }
            $waits = $next['at'] !== $next['printer'] && $next['waits'] > 1e-9;
            $day = (int) floor($next['can'] / $dayMinutes + 1e-9);
            $placed[$next['printer']][] = new PlacedRun(
                $run,
                (string) $next['printer'],
                $day + 1,
                $next['can'] - $day * $dayMinutes,
                $waits ? $next['waits'] : 0.0,
                $waits ? (string) $next['at'] : null,
            );
            $end = $next['can'] + $run->minutes();
            $free[$next['printer']] = $end;
            $plates[$run->plateId] = [$end, $next['printer']];
            $days = max($days, $day + 1);
            $hands += $run->handsMinutes();
        }

        return new self($placed, $days, $hands);
    }

    /** The first moment from which on it ends within its day, or begins one. */
    private static function begin(float $from, float $takes, float $dayMinutes): float
    {
        $day = floor($from / $dayMinutes + 1e-9);
        $at = $from - $day * $dayMinutes;

        return $at > 1e-9 && $at + $takes > $dayMinutes + 1e-9 ? ($day + 1) * $dayMinutes : $from;
    }
}
