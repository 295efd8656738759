<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Exposure;

/**
 * Own runs that a job tells apart by nothing but the side that they were made on: their sums by side and over the others. Of
 * each sum: held, runs, what the successes and the failures are worth before unlikeness; taken off cleanly, taken off, what the
 * failures are worth.
 */
final class RunSums
{
    public ?float $longestMinutes = null;
    public int $mostParts = 0;
    /** @var array<string, array<int, float>> */
    private array $bySide = [];
    /** @var array<int, float>|null of all sides; null: not asked for yet */
    private ?array $all = null;

    /**
     * A success counts for as much of the job as it has shown; of a failure on N parts n have had their share.
     *
     * @param bool $wholePlate made with no fewer parts than the job has
     */
    public function add(OwnRuns $run, JobRequest $job, bool $wholePlate): void
    {
        $shown = Exposure::share($run->minutes, $job->minutes);
        $share = $wholePlate ? $job->partCount / $run->parts : 1.0;
        $sums = [
            $run->held, $run->runs, $shown * $run->held, $share * ($run->runs - $run->held),
            $run->clean, $run->released, $share * ($run->released - $run->clean),
        ];
        $this->bySide[$run->sideId] = isset($this->bySide[$run->sideId]) ? self::sum($this->bySide[$run->sideId], $sums) : $sums;
        $this->reaches($run->minutes, $run->parts);
    }

    /** All that another has. */
    public function addAll(self $other): void
    {
        foreach ($other->bySide as $sideId => $sums) {
            $this->bySide[$sideId] = isset($this->bySide[$sideId]) ? self::sum($this->bySide[$sideId], $sums) : $sums;
        }
        $this->reaches($other->longestMinutes, $other->mostParts);
    }

    /** @return array<int, float>|null null: none */
    public function on(string $sideId): ?array
    {
        return $this->bySide[$sideId] ?? null;
    }

    /** @return array<int, float>|null null: none */
    public function elsewhere(string $sideId): ?array
    {
        $own = $this->bySide[$sideId] ?? null;
        if (1 === \count($this->bySide) && null !== $own) {
            return null;
        }
        $all = $this->all ??= array_reduce($this->bySide, self::sum(...), [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0]);

        return null === $own ? $all : [
            $all[0] - $own[0], $all[1] - $own[1], $all[2] - $own[2], $all[3] - $own[3], $all[4] - $own[4], $all[5] - $own[5], $all[6] - $own[6],
        ];
    }

    private function reaches(?float $minutes, int $parts): void
    {
        $this->all = null;
        if (null !== $minutes && (null === $this->longestMinutes || $minutes > $this->longestMinutes)) {
            $this->longestMinutes = $minutes;
        }
        if ($parts > $this->mostParts) {
            $this->mostParts = $parts;
        }
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     *
     * @return array<int, float>
     */
    private static function sum(array $a, array $b): array
    {
        return [$a[0] + $b[0], $a[1] + $b[1], $a[2] + $b[2], $a[3] + $b[3], $a[4] + $b[4], $a[5] + $b[5], $a[6] + $b[6]];
    }
}
