<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Exposure;
use Sitzplatz\Evidence\Likeness;

/**
 * Own runs that a job tells apart by nothing but the side that they were made on: their sums over all sides and by side. Of
 * each sum: held, runs, what the successes and the failures are worth before unlikeness; taken off cleanly, taken off, worth
 * of both.
 */
final class AlikeRuns
{
    private const NOTHING = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0];

    public readonly Likeness $elsewhere;
    public readonly float $weightHere;
    public readonly float $weightElsewhere;
    public ?float $longestMinutes = null;
    public int $mostParts = 0;
    /** @var array<int, float> */
    private array $all = self::NOTHING;
    /** @var array<string, array<int, float>> */
    private array $bySide = [];

    public function __construct(
        /** On the very side. */
        public readonly Likeness $here,
        /** Made with no fewer parts than the job has. */
        public readonly bool $wholePlate,
    ) {
        $this->elsewhere = $here->onAnotherSide();
        $this->weightHere = $here->weight();
        $this->weightElsewhere = $this->elsewhere->weight();
    }

    /** A success counts for as much of the job as it has shown; of a failure on N parts n have had their share. */
    public function add(OwnRuns $run, JobRequest $job): void
    {
        $shown = Exposure::share($run->minutes, $job->minutes);
        $share = $this->wholePlate ? $job->partCount / $run->parts : 1.0;
        $sums = [
            $run->held, $run->runs, $shown * $run->held, $share * ($run->runs - $run->held),
            $run->clean, $run->released, $run->clean, $share * ($run->released - $run->clean),
        ];
        $this->bySide[$run->sideId] = isset($this->bySide[$run->sideId]) ? self::sum($this->bySide[$run->sideId], $sums) : $sums;
        $this->all = self::sum($this->all, $sums);
        $this->longestMinutes = null === $run->minutes ? $this->longestMinutes : max($this->longestMinutes ?? 0.0, $run->minutes);
        $this->mostParts = max($this->mostParts, $run->parts);
    }

    /** All that another has, whatever its likeness. */
    public function addAll(self $other): void
    {
        foreach ($other->bySide as $sideId => $sums) {
            $this->bySide[$sideId] = isset($this->bySide[$sideId]) ? self::sum($this->bySide[$sideId], $sums) : $sums;
        }
        $this->all = self::sum($this->all, $other->all);
        $this->longestMinutes = null === $other->longestMinutes ? $this->longestMinutes : max($this->longestMinutes ?? 0.0, $other->longestMinutes);
        $this->mostParts = max($this->mostParts, $other->mostParts);
    }

    /** @return list<string> that they were made on */
    public function sides(): array
    {
        return array_map(strval(...), array_keys($this->bySide));
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
        if (null === $own) {
            return $this->all;
        }
        $all = $this->all;

        return 1 === \count($this->bySide) ? null : [
            $all[0] - $own[0], $all[1] - $own[1], $all[2] - $own[2], $all[3] - $own[3],
            $all[4] - $own[4], $all[5] - $own[5], $all[6] - $own[6], $all[7] - $own[7],
        ];
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     *
     * @return array<int, float>
     */
    private static function sum(array $a, array $b): array
    {
        return [$a[0] + $b[0], $a[1] + $b[1], $a[2] + $b[2], $a[3] + $b[3], $a[4] + $b[4], $a[5] + $b[5], $a[6] + $b[6], $a[7] + $b[7]];
    }
}
