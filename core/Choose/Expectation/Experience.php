<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Choose\Expectation\Internal\RunsOfKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Warp\Surroundings;

/** The shop's own runs of one material, looked up by how near they are to a proposal. */
final readonly class Experience
{
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;
    /** Exposures this near are taken as the same setting: less than a rung of a ladder (ours). */
    private const EXPOSURE_NEAR = 0.1;
    private const AIR_NEAR_K = 10.0;
    private const NOZZLE_NEAR_K = 10.0;
    private const GAP_NEAR_MM = 0.03;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private array $bySurfaceAndAgent;
    /** @var array<string, array<string, non-empty-list<OwnRuns>>> by surface and agent: those that differ for a job in the lot alone */
    private array $madeAlike;
    /** @var \WeakMap<JobRequest, \ArrayObject<string, RunsOfKind>> by surface and agent */
    private \WeakMap $ofJob;
    /** @var array<string, ProvenSeat> by printer, side and agent */
    private array $proven;

    /**
     * @param list<OwnRuns>    $runs
     * @param list<ProvenSeat> $proven what validated profiles vouch for, for this job
     */
    public function __construct(array $runs, array $proven = [], public OwnRecord $record = new OwnRecord())
    {
        $index = $alike = [];
        foreach ($runs as $run) {
            if (0 === $run->runs && 0 === $run->released) {
                continue;
            }
            $kind = $run->surfaceId.'/'.($run->agentId ?? '');
            $index[$kind][] = $run;
            // What a foothold in somebody's own words gave them, no job can be told to have.
            if (!$run->ownBrim) {
                $alike[$kind][self::conditions($run)][] = $run;
            }
        }
        $this->bySurfaceAndAgent = $index;
        $this->madeAlike = $alike;
        $this->ofJob = new \WeakMap();
        $bySeat = [];
        foreach ($proven as $seat) {
            $bySeat[$seat->printerId.'/'.$seat->sideId.'/'.$seat->agentId] ??= $seat;
        }
        $this->proven = $bySeat;
    }

    /**
     * All own runs on one side with one agent, at any bed temperature.
     *
     * @return list<OwnRuns>
     */
    public function on(SideFacts $side, ?string $agentId): array
    {
        return array_values(array_filter(
            $this->ofKind($side->surfaceId, $agentId),
            static fn (OwnRuns $run): bool => $run->sideId === $side->id,
        ));
    }

    /** @return list<OwnRuns> on any side of a kind */
    public function ofKind(string $surfaceId, ?string $agentId): array
    {
        return $this->bySurfaceAndAgent[$surfaceId.'/'.($agentId ?? '')] ?? [];
    }

    /** What a validated profile vouches for on this side with this agent, for the job asked for. */
    public function proven(JobRequest $job, SideFacts $side, ?string $agentId): ?ProvenSeat
    {
        $seat = '/'.$side->id.'/'.$agentId;

        return $this->proven[$job->printer->id.$seat] ?? $this->proven[$seat] ?? null;
    }

    /**
     * The runs at a setting of the bed, drawn together by likeness, the nearest first. Where no lot is named, any lot is
     * this lot. A success counts for as much of the job as it has shown; a failure counts in full. Runs with no fewer
     * parts than the job speak for the whole plate: a success on N parts proves plates of up to N and is one run, and of
     * a failure on N parts n have had their share.
     *
     * @param float|null $at     bed, °C on the display, or exposure of a resin, s; null: unheated
     * @param float|null $otherC after the first layer; null: the same
     *
     * @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int}
     */
    public function near(JobRequest $job, SideFacts $side, ?string $agentId, ?float $at, ?float $otherC = null): array
    {
        $ofJob = $this->ofJob[$job] ??= new \ArrayObject();
        $kind = $side->surfaceId.'/'.$agentId;
        $runs = $ofJob[$kind] ?? null;
        if (null === $runs) {
            $ofJob[$kind] = $runs = new RunsOfKind($job->material->filament);
            $nozzleC = $job->firstLayerNozzleC();
            foreach ($this->madeAlike[$kind] ?? [] as $alike) {
                $sameLot = self::likeness($alike[0], $job, $nozzleC);
                $otherLot = $sameLot->withAnotherLot();
                foreach ($alike as $run) {
                    $runs->add($run, null === $job->lotId || $run->lotId === $job->lotId ? $sameLot : $otherLot, $job);
                }
            }
        }

        return $runs->at($at, $otherC)->of($side->id);
    }

    /** All of it that {@see Likeness} looks at: hundreds of runs share a few dozen. */
    private static function conditions(OwnRuns $run): string
    {
        return $run->printerId.pack(
            'd5C3',
            $run->bedC ?? \NAN,
            $run->roomC ?? \NAN,
            $run->chamberC ?? \NAN,
            $run->nozzleC ?? \NAN,
            $run->gapMm ?? \NAN,
            (int) $run->enclosed,
            (int) $run->changedSince,
            (int) $run->forUse,
        );
    }

    /** On the same side with the same lot, with the bed as it was. */
    private static function likeness(OwnRuns $run, JobRequest $job, ?float $nozzleC): Likeness
    {
        return Likeness::of(
            samePrinter: null === $run->printerId || $run->printerId === $job->printer->id,
            likeAir: null === $run->printerId || self::likeAir($run, $job),
            sameNozzle: self::within($run->nozzleC, $nozzleC, self::NOZZLE_NEAR_K),
            // Nought and less is an offset of the machine, and says nothing of the gap.
            sameGap: min($run->gapMm ?? 0.0, $job->gapMm ?? 0.0) <= 0.0 || self::within($run->gapMm, $job->gapMm, self::GAP_NEAR_MM),
            changedSince: $run->changedSince,
            forUse: $run->forUse,
        );
    }

    /** So near an exposure nobody tells it apart, s; null: not known. */
    public static function sameExposure(?float $one, ?float $other): bool
    {
        return null !== $one && null !== $other && abs($one - $other) <= self::EXPOSURE_NEAR * $other;
    }

    private static function within(?float $a, ?float $b, float $within): bool
    {
        return null === $a || null === $b || abs($a - $b) <= $within;
    }

    private static function likeAir(OwnRuns $run, JobRequest $job): bool
    {
        $then = Surroundings::celsius($run->roomC ?? $job->roomC, $run->bedC, $run->enclosed, $run->chamberC);

        return abs($then - Surroundings::celsius($job->roomC, $run->bedC, $job->printer->enclosed, $job->printer->chamberC)) <= self::AIR_NEAR_K;
    }
}
