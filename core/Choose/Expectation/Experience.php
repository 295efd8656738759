<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Evidence\Exposure;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Warp\Surroundings;

/** The shop's own runs of one material, looked up by how near they are to a proposal. */
final readonly class Experience
{
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;
    private const AIR_NEAR_K = 10.0;
    private const NOZZLE_NEAR_K = 10.0;
    private const GAP_NEAR_MM = 0.03;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private array $bySurfaceAndAgent;

    /**
     * @param list<OwnRuns>    $runs
     * @param list<ProvenSeat> $proven what validated profiles vouch for, for this job
     */
    public function __construct(array $runs, private array $proven = [])
    {
        $index = [];
        foreach ($runs as $run) {
            if (0 === $run->runs && 0 === $run->released) {
                continue;
            }
            $index[$run->surfaceId.'/'.($run->agentId ?? '')][] = $run;
        }
        $this->bySurfaceAndAgent = $index;
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
    public function proven(SideFacts $side, ?string $agentId): ?ProvenSeat
    {
        foreach ($this->proven as $seat) {
            if ($seat->sideId === $side->id && $seat->agentId === $agentId) {
                return $seat;
            }
        }

        return null;
    }

    /**
     * The runs at a setting of the bed, drawn together by likeness, the nearest first. Where no lot is named, any lot is
     * this lot. A success counts for as much of the job as it has shown; a failure counts in full. Runs with no fewer
     * parts than the job speak for the whole plate: a success on N parts proves plates of up to N and is one run, and of
     * a failure on N parts n have had their share.
     *
     * @param float|null $displayC null: unheated
     * @param float|null $otherC   after the first layer; null: the same
     *
     * @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int}
     */
    public function near(JobRequest $job, SideFacts $side, ?string $agentId, ?float $displayC, ?float $otherC = null): array
    {
        $found = [];
        $longest = null;
        $most = 0;
        foreach ($this->ofKind($side->surfaceId, $agentId) as $run) {
            if (!self::sameBed($run->bedC, $displayC)) {
                continue;
            }
            $likeness = self::likeness($run, $job, $side, $otherC);
            $whole = $run->parts >= $job->partCount;
            $key = $likeness->key().($whole ? '/plate' : '');
            $found[$key] ??= ['likeness' => $likeness, 'whole' => $whole, 'counts' => array_fill(0, 8, 0.0)];
            $weight = $likeness->weight();
            $shown = Exposure::share($run->minutes, $job->minutes);
            $share = $whole ? $job->partCount / $run->parts : 1.0;
            foreach ([
                $run->held, $run->runs, $weight * $shown * $run->held, $weight * $share * ($run->runs - $run->held),
                $run->clean, $run->released, $weight * $run->clean, $weight * $share * ($run->released - $run->clean),
            ] as $i => $add) {
                $found[$key]['counts'][$i] += $add;
            }
            $longest = null === $run->minutes ? $longest : max($longest ?? 0.0, $run->minutes);
            $most = max($most, $run->parts);
        }
        usort($found, static fn (array $a, array $b): int => [$b['likeness']->weight(), $b['whole']] <=> [$a['likeness']->weight(), $a['whole']]);
        $hold = $release = [];
        foreach ($found as ['likeness' => $likeness, 'whole' => $whole, 'counts' => $n]) {
            if ($n[1] > 0) {
                $hold[] = new Evidence($likeness, (int) $n[0], (int) $n[1], $n[2], $n[3], $whole);
            }
            if ($n[5] > 0) {
                $release[] = new Evidence($likeness, (int) $n[4], (int) $n[5], $n[6], $n[7], $whole);
            }
        }

        return ['hold' => $hold, 'release' => $release, 'longestMinutes' => $longest, 'mostParts' => $most];
    }

    private static function likeness(OwnRuns $run, JobRequest $job, SideFacts $side, ?float $otherC): Likeness
    {
        $printer = $job->printer;
        $near = static fn (?float $a, ?float $b, float $within): bool => null === $a || null === $b || abs($a - $b) <= $within;

        return Likeness::of(
            $run->sideId === $side->id,
            null === $job->lotId || $run->lotId === $job->lotId,
            null === $run->printerId || $run->printerId === $printer->id,
            null === $run->printerId || self::air($run->bedC, $run->enclosed, $run->chamberC, $job->roomC, $printer->enclosed, $printer->chamberC),
            $near($run->bedOtherC ?? $run->bedC, $otherC ?? $run->bedC, self::BED_NEAR_K),
            $near($run->nozzleC, $job->firstLayerNozzleC(), self::NOZZLE_NEAR_K),
            // Nought and less is an offset of the machine, and says nothing of the gap.
            min($run->gapMm ?? 0.0, $job->gapMm ?? 0.0) <= 0.0 || $near($run->gapMm, $job->gapMm, self::GAP_NEAR_MM),
        );
    }

    private static function air(?float $bedC, bool $enclosed, ?float $chamberC, float $roomC, bool $jobEnclosed, ?float $jobChamberC): bool
    {
        return abs(
            Surroundings::celsius($roomC, $bedC, $enclosed, $chamberC) - Surroundings::celsius($roomC, $bedC, $jobEnclosed, $jobChamberC),
        ) <= self::AIR_NEAR_K;
    }

    private static function sameBed(?float $oneC, ?float $otherC): bool
    {
        return null === $oneC || null === $otherC ? $oneC === $otherC : abs($oneC - $otherC) <= self::BED_NEAR_K;
    }
}
