<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Evidence\Likeness;

/** The shop's own runs of one material, looked up by how near they are to a proposal. */
final readonly class Experience
{
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private array $bySurfaceAndAgent;

    /** @param list<OwnRuns> $runs */
    public function __construct(array $runs)
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

    /**
     * The runs near a bed temperature, by likeness, the nearest first. Where no lot is named, any lot is this lot.
     *
     * @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int}
     */
    public function near(SideFacts $side, ?string $agentId, ?string $lotId, float $bedC): array
    {
        $found = [];
        $longest = null;
        $most = 0;
        foreach ($this->ofKind($side->surfaceId, $agentId) as $run) {
            // A bed that was lowered after the first layer is another setup.
            $lowered = null !== $run->bedC && null !== $run->bedOtherC && abs($run->bedOtherC - $run->bedC) > self::BED_NEAR_K;
            if ($lowered || (null !== $run->bedC && abs($run->bedC - $bedC) > self::BED_NEAR_K)) {
                continue;
            }
            $likeness = Likeness::of($run->sideId === $side->id, null === $lotId || $run->lotId === $lotId)->value;
            $found[$likeness] ??= [0, 0, 0, 0];
            $found[$likeness][0] += $run->held;
            $found[$likeness][1] += $run->runs;
            $found[$likeness][2] += $run->clean;
            $found[$likeness][3] += $run->released;
            $longest = null === $run->longestMinutes ? $longest : max($longest ?? 0.0, $run->longestMinutes);
            $most = max($most, $run->mostParts);
        }
        $hold = $release = [];
        foreach (Likeness::cases() as $likeness) {
            [$held, $runs, $clean, $released] = $found[$likeness->value] ?? [0, 0, 0, 0];
            if ($runs > 0) {
                $hold[] = new Evidence($likeness, $held, $runs);
            }
            if ($released > 0) {
                $release[] = new Evidence($likeness, $clean, $released);
            }
        }

        return ['hold' => $hold, 'release' => $release, 'longestMinutes' => $longest, 'mostParts' => $most];
    }
}
