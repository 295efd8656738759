<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Warp\Surroundings;

/**
 * Own runs of one kind of surface and agent that were made under the same conditions: jobs that ask for the same lot, as long and
 * with as many parts, differ in how like them all of these are, and in nothing else. So they are summed up once for all of them.
 */
final readonly class RunsUnderConditions
{
    private const AIR_NEAR_K = 10.0;
    private const NOZZLE_NEAR_K = 10.0;
    private const GAP_NEAR_MM = 0.03;

    /** Of the room, or the chamber, that they were made in, °C; null: that of the room of the job. */
    private ?float $airC;

    /** @param non-empty-list<array{bool, bool, RunSums}> $sums of the same lot, with no fewer parts than the job */
    private function __construct(private OwnRuns $like, public array $sums)
    {
        $this->airC = null === $like->roomC ? null : self::airC($like, $like->roomC);
    }

    /** @param non-empty-list<OwnRuns> $runs of the same {@see key} */
    public static function of(array $runs, JobRequest $job): self
    {
        $sums = [];
        foreach ($runs as $run) {
            // Where no lot is named, any lot is this lot.
            $sameLot = null === $job->lotId || $run->lotId === $job->lotId;
            $whole = $run->parts >= $job->partCount;
            ($sums[(int) $sameLot << 1 | (int) $whole] ??= [$sameLot, $whole, new RunSums()])[2]->add($run, $job, $whole);
        }

        return new self($runs[0], array_values($sums));
    }

    /** All of a run that {@see Likeness} looks at, and its setting: hundreds of runs share a few dozen. */
    public static function key(OwnRuns $run): string
    {
        // As bytes, for to write numbers out takes longer than all else here.
        return $run->printerId.pack(
            'd7C3',
            $run->bedC ?? \NAN,
            $run->bedOtherC ?? \NAN,
            $run->exposureS ?? \NAN,
            $run->roomC ?? \NAN,
            $run->chamberC ?? \NAN,
            $run->nozzleC ?? \NAN,
            $run->gapMm ?? \NAN,
            (int) $run->enclosed,
            (int) $run->changedSince,
            (int) $run->forUse,
        );
    }

    /** Of all jobs that such runs are summed up alike for. */
    public static function keyOfJob(JobRequest $job): string
    {
        return $job->lotId.pack('dl', $job->minutes ?? \NAN, $job->partCount);
    }

    /** Of the bed in the first layer, °C on the display, or of a resin the exposure, s; null: unheated. */
    public function at(bool $filament): ?float
    {
        return $filament ? $this->like->bedC : $this->like->exposureS;
    }

    /** Of the bed after the first layer; null: unheated, or the same. */
    public function otherC(): ?float
    {
        return $this->like->bedOtherC;
    }

    /**
     * On the same side with the same lot, with the bed as it was.
     *
     * @param float|null $nozzleC of the job in its first layer
     */
    public function likeness(JobRequest $job, ?float $nozzleC): Likeness
    {
        $run = $this->like;

        return Likeness::of(
            samePrinter: null === $run->printerId || $run->printerId === $job->printer->id,
            likeAir: null === $run->printerId || $this->likeAir($job),
            sameNozzle: self::within($run->nozzleC, $nozzleC, self::NOZZLE_NEAR_K),
            // Nought and less is an offset of the machine, and says nothing of the gap.
            sameGap: min($run->gapMm ?? 0.0, $job->gapMm ?? 0.0) <= 0.0 || self::within($run->gapMm, $job->gapMm, self::GAP_NEAR_MM),
            changedSince: $run->changedSince,
            forUse: $run->forUse,
        );
    }

    private static function within(?float $a, ?float $b, float $within): bool
    {
        return null === $a || null === $b || abs($a - $b) <= $within;
    }

    private function likeAir(JobRequest $job): bool
    {
        $now = Surroundings::celsius($job->roomC, $this->like->bedC, $job->printer->enclosed, $job->printer->chamberC);

        return abs(($this->airC ?? self::airC($this->like, $job->roomC)) - $now) <= self::AIR_NEAR_K;
    }

    private static function airC(OwnRuns $run, float $roomC): float
    {
        return Surroundings::celsius($roomC, $run->bedC, $run->enclosed, $run->chamberC);
    }
}
