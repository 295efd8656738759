<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** The plainest of forecasts that learn: of each setup the share that came true so far, with what practice says worth a few of its own. */
final class RunningShare
{
    /** Practice counts for so many (ours). */
    private const PRACTICE = 3.0;

    /** @var array<string, array{int, int}> by setup: how many came true, and how many there were */
    private array $counts = [];

    /** @param float $practice 0 to 1 */
    public function of(string $setup, float $practice): float
    {
        [$true, $all] = $this->counts[$setup] ?? [0, 0];

        return ($true + self::PRACTICE * $practice) / ($all + self::PRACTICE);
    }

    public function count(string $setup, bool $came): void
    {
        [$true, $all] = $this->counts[$setup] ?? [0, 0];
        $this->counts[$setup] = [$true + (int) $came, $all + 1];
    }
}
