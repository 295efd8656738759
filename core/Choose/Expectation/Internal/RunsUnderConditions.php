<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\RunConditions;
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
    private function __construct(private RunConditions $under, private bool $changedSince, public array $sums)
    {
        $this->airC = null === $under->roomC ? null : self::airC($under, $under->roomC);
    }

    /** @param non-empty-list<OwnRuns> $runs under the same conditions, put in question by the same change or by none */
    public static function of(array $runs, JobRequest $job): self
    {
        $sums = [];
        foreach ($runs as $run) {
            // Where no lot is named, any lot is this lot.
            $sameLot = null === $job->lotId || $run->lotId === $job->lotId;
            $whole = $run->parts >= $job->partCount;
            ($sums[(int) $sameLot << 1 | (int) $whole] ??= [$sameLot, $whole, new RunSums()])[2]->add($run, $job, $whole);
        }

        return new self($runs[0]->under, $runs[0]->changedSince, array_values($sums));
    }

    /** Of all jobs that such runs are summed up alike for. */
    public static function keyOfJob(JobRequest $job): string
    {
        return $job->lotId.pack('dl', $job->minutes ?? \NAN, $job->partCount);
    }

    /** Of the bed in the first layer, °C on the display, or of a resin the exposure, s; null: unheated. */
    public function at(bool $filament): ?float
    {
        return $filament ? $this->under->bedC : $this->under->exposureS;
    }

    /** Of the bed after the first layer; null: unheated, or the same. */
    public function otherC(): ?float
    {
        return $this->under->bedOtherC;
    }

    /**
     * On the same side with the same lot, with the bed as it was.
     *
     * @param float|null $nozzleC of the job in its first layer
     */
    public function likeness(JobRequest $job, ?float $nozzleC): Likeness
    {
        $under = $this->under;

        return Likeness::of(
            samePrinter: null === $under->printerId || $under->printerId === $job->printer->id,
            likeAir: null === $under->printerId || $this->likeAir($job),
            sameNozzle: self::within($under->nozzleC, $nozzleC, self::NOZZLE_NEAR_K),
            // Nought and less is an offset of the machine, and says nothing of the gap.
            sameGap: min($under->gapMm ?? 0.0, $job->gapMm ?? 0.0) <= 0.0 || self::within($under->gapMm, $job->gapMm, self::GAP_NEAR_MM),
            changedSince: $this->changedSince,
            forUse: $under->forUse,
        );
    }

    private static function within(?float $a, ?float $b, float $within): bool
    {
        return null === $a || null === $b || abs($a - $b) <= $within;
    }

    private function likeAir(JobRequest $job): bool
    {
        $now = Surroundings::celsius($job->roomC, $this->under->bedC, $job->printer->enclosed, $job->printer->chamberC);

        return abs(($this->airC ?? self::airC($this->under, $job->roomC)) - $now) <= self::AIR_NEAR_K;
    }

    private static function airC(RunConditions $under, float $roomC): float
    {
        return Surroundings::celsius($roomC, $under->bedC, $under->enclosed, $under->chamberC);
    }
}
