<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * Whether a pull that was to be a cold one was one: by the temperature at which the part came off where that was read, else by what
 * is usual. It was cold where that lies nearer to the temperature below which its pair lets go than to the bed that it was printed on
 * (ours); a part that was pulled off warmer says nothing of how it comes off cold.
 */
final class PullTemperature
{
    /** Up to which a pull is a cold one, °C; null: nobody knows, or the bed is no warmer than that. */
    public static function coldUpToC(?float $letsGoBelowC, ?float $bedC): ?float
    {
        return null === $letsGoBelowC || null === $bedC || $bedC <= $letsGoBelowC ? null : ($letsGoBelowC + $bedC) / 2;
    }

    /** @param list<Reading> $readings of one run */
    public static function contradicts(array $readings, ?float $coldUpToC): bool
    {
        $pulled = $warm = false;
        foreach ($readings as $reading) {
            $pulled = $pulled || Measure::PullCold === $reading->measure;
            $warm = $warm || Measure::ReleaseTemperature === $reading->measure && null !== $coldUpToC && $reading->value > $coldUpToC;
        }

        return $pulled && $warm;
    }

    /**
     * @param list<Reading> $readings of one run
     *
     * @return list<Reading> without a cold pull that was none
     */
    public static function sorted(array $readings, ?float $coldUpToC): array
    {
        return self::contradicts($readings, $coldUpToC)
            ? array_values(array_filter($readings, static fn (Reading $reading): bool => Measure::PullCold !== $reading->measure))
            : $readings;
    }
}
