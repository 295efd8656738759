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
    public ?float $longestMinutes = null;
    public int $mostParts = 0;
    /** @var array<int, float> */
    private array $all = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
    /** @var array<string, array<int, float>> */
    private array $bySide = [];
    /** @var array<int, Likeness> by side and bed afterwards */
    private array $likeness = [];

    private function __construct(
        public readonly ?float $bedC,
        /** After the first layer; null: as in it. */
        public readonly ?float $bedOtherC,
        /** Made with no fewer parts than the job has. */
        public readonly bool $wholePlate,
        private readonly bool $sameLot,
        private readonly bool $samePrinter,
        private readonly bool $likeAir,
        private readonly bool $sameNozzle,
        private readonly bool $sameGap,
    ) {
    }

    public static function of(OwnRuns $run, JobRequest $job, bool $likeAir, bool $sameNozzle, bool $sameGap): self
    {
        return new self(
            $run->bedC,
            $run->bedOtherC,
            $run->parts >= $job->partCount,
            null === $job->lotId || $run->lotId === $job->lotId,
            null === $run->printerId || $run->printerId === $job->printer->id,
            $likeAir,
            $sameNozzle,
            $sameGap,
        );
    }

    /** The same for all that are alike. */
    public function key(): string
    {
        return ($this->bedC ?? '').'/'.($this->bedOtherC ?? '').'/'.implode('', array_map(intval(...), [
            $this->wholePlate,
            $this->sameLot,
            $this->samePrinter,
            $this->likeAir,
            $this->sameNozzle,
            $this->sameGap,
        ]));
    }

    /** A success counts for as much of the job as it has shown; of a failure on N parts n have had their share. */
    public function add(OwnRuns $run, JobRequest $job): void
    {
        $shown = Exposure::share($run->minutes, $job->minutes);
        $share = $this->wholePlate ? $job->partCount / $run->parts : 1.0;
        $sums = &$this->bySide[$run->sideId];
        $sums ??= array_fill(0, 8, 0.0);
        foreach ([
            $run->held, $run->runs, $shown * $run->held, $share * ($run->runs - $run->held),
            $run->clean, $run->released, $run->clean, $share * ($run->released - $run->clean),
        ] as $i => $add) {
            $sums[$i] += $add;
            $this->all[$i] += $add;
        }
        $this->longestMinutes = null === $run->minutes ? $this->longestMinutes : max($this->longestMinutes ?? 0.0, $run->minutes);
        $this->mostParts = max($this->mostParts, $run->parts);
    }

    /** @return array<int, float>|null null: none */
    public function on(string $sideId): ?array
    {
        return $this->bySide[$sideId] ?? null;
    }

    /** @return array<int, float>|null null: none */
    public function elsewhere(string $sideId): ?array
    {
        $here = $this->bySide[$sideId] ?? null;
        if (null === $here) {
            return $this->all;
        }

        return 1 === \count($this->bySide) ? null : array_map(static fn (float $all, float $own): float => $all - $own, $this->all, $here);
    }

    public function likeness(bool $sameSide, bool $sameBedAfter): Likeness
    {
        return $this->likeness[2 * (int) $sameSide + (int) $sameBedAfter] ??= Likeness::of(
            $sameSide,
            $this->sameLot,
            $this->samePrinter,
            $this->likeAir,
            $sameBedAfter,
            $this->sameNozzle,
            $this->sameGap,
        );
    }
}
