<?php

declare(strict_types=1);

namespace App\Platform\Backup;

/** Which backups stay: the last of each of the last days and weeks, as far as the room for them goes; the newest always. */
final class Retention
{
    public const DAYS = 7;
    public const WEEKS = 4;

    /**
     * @param array<string, array{at: \DateTimeImmutable, bytes: int}> $backups    by name
     * @param int                                                      $quotaBytes for all together
     *
     * @return list<string> the names of those that go, the oldest first
     */
    public static function superfluous(array $backups, int $quotaBytes): array
    {
        uasort($backups, static fn (array $a, array $b): int => $b['at'] <=> $a['at']);
        $days = $weeks = $kept = [];
        foreach ($backups as $name => $backup) {
            $day = $backup['at']->format('Y-m-d');
            $week = $backup['at']->format('o-W');
            $ofDay = !isset($days[$day]) && \count($days) < self::DAYS;
            $ofWeek = !isset($weeks[$week]) && \count($weeks) < self::WEEKS;
            if ($ofDay || $ofWeek) {
                $kept[$name] = $backup['bytes'];
            }
            if ($ofDay) {
                $days[$day] = true;
            }
            if ($ofWeek) {
                $weeks[$week] = true;
            }
        }
        // The oldest gives way to the room, and the newest to nothing.
        while (\count($kept) > 1 && array_sum($kept) > $quotaBytes) {
            array_pop($kept);
        }

        return array_reverse(array_values(array_diff(array_map(strval(...), array_keys($backups)), array_map(strval(...), array_keys($kept)))));
    }
}
