<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/**
 * The shop's own runs of one material, looked up by how near they are to a proposal. Runs on the same side with the
 * same agent and lot near the same bed temperature count in full; runs on another side of the same kind, or with
 * another lot, count at a discount.
 */
final readonly class Experience
{
    /** Weight of a merely similar run (our own choice; the power prior wants it stated). */
    public const SIMILAR_WEIGHT = 0.3;
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private array $bySurfaceAndAgent;

    /** @param list<OwnRuns> $runs */
    public function __construct(array $runs)
    {
        $index = [];
        foreach ($runs as $run) {
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
            $this->bySurfaceAndAgent[$side->surfaceId.'/'.($agentId ?? '')] ?? [],
            static fn (OwnRuns $run): bool => $run->sideId === $side->id,
        ));
    }

    /**
     * @return array{same: array{runs: int, held: int, released: int, clean: int}, similar: array{runs: int, held: int, released: int, clean: int}}
     */
    public function near(SideFacts $side, ?string $agentId, ?string $lotId, float $bedC): array
    {
        $none = ['runs' => 0, 'held' => 0, 'released' => 0, 'clean' => 0];
        $found = ['same' => $none, 'similar' => $none];
        foreach ($this->bySurfaceAndAgent[$side->surfaceId.'/'.($agentId ?? '')] ?? [] as $run) {
            if (null !== $run->bedC && abs($run->bedC - $bedC) > self::BED_NEAR_K) {
                continue;
            }
            $kind = $run->sideId === $side->id && (null === $lotId || $run->lotId === $lotId) ? 'same' : 'similar';
            $found[$kind]['runs'] += $run->runs;
            $found[$kind]['held'] += $run->held;
            $found[$kind]['released'] += $run->released;
            $found[$kind]['clean'] += $run->clean;
        }

        return $found;
    }
}
