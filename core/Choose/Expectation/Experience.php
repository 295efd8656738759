<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Choose\Expectation\Internal\AlikeRuns;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
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
    /** @var \WeakMap<JobRequest, array<string, array<string, AlikeRuns>>> by surface and agent */
    private \WeakMap $alike;

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
        $this->alike = new \WeakMap();
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
        foreach ($this->alike($job, $side->surfaceId, $agentId) as $alike) {
            if (!self::sameBed($alike->bedC, $displayC)) {
                continue;
            }
            $afterwards = null === $alike->bedOtherC || self::within($alike->bedOtherC, $otherC ?? $alike->bedC, self::BED_NEAR_K);
            foreach ([[true, $alike->on($side->id)], [false, $alike->elsewhere($side->id)]] as [$here, $sums]) {
                if (null === $sums) {
                    continue;
                }
                $likeness = $alike->likeness($here, $afterwards);
                $key = $likeness->key().($alike->wholePlate ? '/plate' : '');
                $found[$key] ??= ['likeness' => $likeness, 'whole' => $alike->wholePlate, 'sums' => array_fill(0, 8, 0.0)];
                foreach ($sums as $n => $sum) {
                    $found[$key]['sums'][$n] += $sum;
                }
            }
            $longest = null === $alike->longestMinutes ? $longest : max($longest ?? 0.0, $alike->longestMinutes);
            $most = max($most, $alike->mostParts);
        }
        usort($found, static fn (array $a, array $b): int => [$b['likeness']->weight(), $b['whole']] <=> [$a['likeness']->weight(), $a['whole']]);
        $hold = $release = [];
        foreach ($found as ['likeness' => $likeness, 'whole' => $whole, 'sums' => $n]) {
            $weight = $likeness->weight();
            if ($n[1] > 0) {
                $hold[] = new Evidence($likeness, (int) $n[0], (int) $n[1], $weight * $n[2], $weight * $n[3], $whole);
            }
            if ($n[5] > 0) {
                $release[] = new Evidence($likeness, (int) $n[4], (int) $n[5], $weight * $n[6], $weight * $n[7], $whole);
            }
        }

        return ['hold' => $hold, 'release' => $release, 'longestMinutes' => $longest, 'mostParts' => $most];
    }

    /**
     * The runs of a kind of surface and agent, drawn together as far as a job tells them apart whatever side they are held
     * against: reckoned once for a job, so that many runs cost no more than few.
     *
     * @return array<string, AlikeRuns>
     */
    private function alike(JobRequest $job, string $surfaceId, ?string $agentId): array
    {
        $kind = $surfaceId.'/'.($agentId ?? '');
        $known = $this->alike[$job] ?? [];
        if (!isset($known[$kind])) {
            $known[$kind] = [];
            foreach ($this->ofKind($surfaceId, $agentId) as $run) {
                $alike = AlikeRuns::of(
                    $run,
                    $job,
                    null === $run->printerId || self::air(
                        $run->bedC,
                        $run->enclosed,
                        $run->chamberC,
                        $job->roomC,
                        $job->printer->enclosed,
                        $job->printer->chamberC,
                    ),
                    null === $run->nozzleC || null === $job->firstLayerNozzleC() || self::within($run->nozzleC, $job->firstLayerNozzleC(), self::NOZZLE_NEAR_K),
                    // Nought and less is an offset of the machine, and says nothing of the gap.
                    min($run->gapMm ?? 0.0, $job->gapMm ?? 0.0) <= 0.0 || self::within($run->gapMm, $job->gapMm, self::GAP_NEAR_MM),
                );
                ($known[$kind][$alike->key()] ??= $alike)->add($run, $job);
            }
            $this->alike[$job] = $known;
        }

        return $known[$kind];
    }

    private static function within(?float $a, ?float $b, float $within): bool
    {
        return null === $a || null === $b || abs($a - $b) <= $within;
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
