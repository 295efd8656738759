<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * The runs of a plan along the days of a bench: one after the other, none begun that would not end within its working day
 * unless it is the first of it.
 */
final readonly class Timetable
{
    /** A working day at the bench, minutes (common practice; of the shop's own choosing). */
    public const DAY_MINUTES = 480.0;

    /** @param list<TimetableRun> $runs */
    private function __construct(
        public array $runs,
        public int $days,
        public float $minutes,
    ) {
    }

    /** @param list<PlannedRun> $runs in the order in which they are made */
    public static function of(array $runs, RunDurations $durations, float $dayMinutes = self::DAY_MINUTES): self
    {
        $placed = [];
        $day = 1;
        $at = $sum = 0.0;
        foreach ($runs as $run) {
            $phases = $durations->phases($run->pull, $run->plateChange);
            $takes = array_sum(array_column($phases, 'minutes'));
            if ($at > 0.0 && $at + $takes > $dayMinutes + 1e-9) {
                ++$day;
                $at = 0.0;
            }
            $placed[] = new TimetableRun($run, $day, $at, $phases);
            $at += $takes;
            $sum += $takes;
        }

        return new self($placed, [] === $placed ? 0 : $day, $sum);
    }
}
