<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * Whether the length of a print proves how long a job may be. By the clock of the sheet it is measured where it is about what the
 * plan has: much less nobody could have printed, and much more is the time until somebody said how it ended. Then whoever knows is
 * asked; what is told is taken up to what the clock shows, and from half of the planned time on (ours, as wide as {@see UsualReadings}).
 */
final class PrintLength
{
    public static function measured(float $clockMinutes, ?float $plannedMinutes): bool
    {
        return self::told($clockMinutes, $plannedMinutes) && (null === $plannedMinutes || $clockMinutes <= UsualReadings::PRINT_TIMES * $plannedMinutes);
    }

    public static function told(float $minutes, ?float $plannedMinutes): bool
    {
        return null === $plannedMinutes || $minutes >= $plannedMinutes / UsualReadings::PRINT_TIMES;
    }
}
