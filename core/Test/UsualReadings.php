<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * Between which values a reading is nothing to wonder at. What lies outside is taken as well, once somebody has been asked
 * whether it is right: a slip of the finger moves a mean more than any setup does. Ours, and wide on purpose.
 */
final readonly class UsualReadings
{
    /** Twice what is bad for a bar, and a little (trade notes, section 8: 0.2 to 0.9 mm is bad). */
    private const LIFT_MM = 2.0;
    /** Of what a pull is asked to reach, or to stay below. */
    private const TIMES = 10.0;
    /** Of a small block that holds hard; a hanging scale goes to 500 N. */
    private const PULL_N = 300.0;
    /** A plate is not colder than the room, nor hotter than its bed, but for what a thermometer is off, K. */
    private const OFF_K = 5.0;
    /** Of the time that the plan has for a print, either way. */
    public const PRINT_TIMES = 2.0;

    /**
     * @param float|null $hottestC  of the bed in the run; null: unheated
     * @param float|null $coldUpToC where the part is to be pulled cold; null: it is not, or nobody knows
     *
     * @return array<string, array{float, float}> from and to, by measure, in the units in which readings are stored
     */
    public static function of(Limits $limits, ?float $hottestC, float $roomC, float $printMinutes, ?float $coldUpToC = null): array
    {
        $pull = static fn (?float $limit): array => [0.0, null === $limit ? self::PULL_N : max(self::PULL_N, self::TIMES * $limit)];

        return [
            Measure::PullHot->value => $pull($limits->hotPullAtLeastN),
            Measure::PullCold->value => $pull($limits->coldPullAtMostN),
            Measure::Lift->value => [0.0, self::LIFT_MM],
            Measure::ReleaseTemperature->value => [
                $roomC - self::OFF_K,
                null === $coldUpToC ? max($hottestC ?? $roomC, $roomC) + self::OFF_K : max($coldUpToC, $roomC),
            ],
            Measure::PrintMinutes->value => [$printMinutes / self::PRINT_TIMES, self::PRINT_TIMES * $printMinutes],
        ];
    }
}
