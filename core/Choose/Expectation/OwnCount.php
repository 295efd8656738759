<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** So many own runs and prints at one setting. */
final class OwnCount
{
    public int $runs = 0;
    public int $held = 0;
    public int $released = 0;
    public int $clean = 0;
    /** Minutes; null: not known. */
    public ?float $longestMinutes = null;
    public int $mostParts = 0;

    public function add(OwnRuns $runs): void
    {
        $this->runs += $runs->runs;
        $this->held += $runs->held;
        $this->released += $runs->released;
        $this->clean += $runs->clean;
        $this->mostParts = max($this->mostParts, $runs->parts);
        if (null !== $runs->minutes) {
            $this->longestMinutes = max($this->longestMinutes ?? 0.0, $runs->minutes);
        }
    }

    public function any(): bool
    {
        return $this->runs + $this->released > 0;
    }
}
