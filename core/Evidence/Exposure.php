<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

/**
 * How much of a job a shorter run that held has shown. Lift normally shows within the first hour, and a short test does
 * not clear a long job (common practice); so the risk runs on evenly for an hour, and at a quarter of that afterwards (the
 * quarter is ours). With an even risk a run of a part of the time is worth that part of a run.
 */
final readonly class Exposure
{
    private const FIRST_MINUTES = 60.0;
    private const LATER = 0.25;
    /** A run of which nobody knows how long it took. */
    private const UNKNOWN = 0.25;

    /** 0 to 1. */
    public static function share(?float $runMinutes, ?float $jobMinutes): float
    {
        return match (true) {
            null === $jobMinutes || $jobMinutes <= 0.0 => 1.0,
            null === $runMinutes => self::UNKNOWN,
            default => min(1.0, self::risk($runMinutes) / self::risk($jobMinutes)),
        };
    }

    private static function risk(float $minutes): float
    {
        return $minutes <= self::FIRST_MINUTES ? $minutes : self::FIRST_MINUTES + self::LATER * ($minutes - self::FIRST_MINUTES);
    }
}
