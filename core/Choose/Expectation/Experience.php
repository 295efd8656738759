<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Choose\Expectation\Internal\RunsOfKind;
use Sitzplatz\Choose\Expectation\Internal\RunsUnderConditions;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;

/** The shop's own runs of one material, looked up by how near they are to a proposal. */
final readonly class Experience
{
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;
    /** Exposures this near are taken as the same setting: less than a rung of a ladder (ours). */
    private const EXPOSURE_NEAR = 0.1;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private array $bySurfaceAndAgent;
    /** @var array<string, array<int, non-empty-list<OwnRuns>>> by surface and agent: those made under the same conditions */
    private array $madeAlike;
    /** @var \ArrayObject<string, list<RunsUnderConditions>> by surface and agent, and what of a job they are summed up for */
    private \ArrayObject $summed;
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
            if (!$run->under->ownBrim) {
                // Whose conditions are one object were made alike; the runs keep it alive, so no other has its number.
                $alike[$kind][spl_object_id($run->under) << 1 | (int) $run->changedSince][] = $run;
            }
        }
        $this->bySurfaceAndAgent = $index;
        $this->madeAlike = $alike;
        /** @var \ArrayObject<string, list<RunsUnderConditions>> $summed */
        $summed = new \ArrayObject();
        $this->summed = $summed;
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
        $runs = $ofJob[$kind] ??= new RunsOfKind($job, $this->summed($kind, $job));

        return $runs->at($at, $otherC)->of($side->id);
    }

    /** @return list<RunsUnderConditions> of a surface and agent; shared by the jobs that would sum them up alike, as on any printer */
    private function summed(string $kind, JobRequest $job): array
    {
        return $this->summed["$kind\0".RunsUnderConditions::keyOfJob($job)] ??= array_map(
            static fn (array $runs): RunsUnderConditions => RunsUnderConditions::of($runs, $job),
            array_values($this->madeAlike[$kind] ?? []),
        );
    }

    /** So near an exposure nobody tells it apart, s; null: not known. */
    public static function sameExposure(?float $one, ?float $other): bool
    {
        return null !== $one && null !== $other && abs($one - $other) <= self::EXPOSURE_NEAR * $other;
    }
}
