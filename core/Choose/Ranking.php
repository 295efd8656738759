<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Gate\BarrierGate;
use Sitzplatz\Choose\Gate\HarmfulAgentGate;
use Sitzplatz\Choose\Gate\HeatLimitGate;
use Sitzplatz\Choose\Gate\KnownPairGate;
use Sitzplatz\Choose\Gate\NeverHoldsGate;
use Sitzplatz\Choose\Gate\PlateSizeGate;
use Sitzplatz\Choose\Gate\PrinterGate;

/**
 * The shop's own plate sides × agents for a job: those that pass every gate ranked by the chance of success, then bare
 * before consumables, then less heat; the others with the reason that ruled them out.
 */
final readonly class Ranking
{
    /** Chances nearer than this are not told apart (our own choice: practice grades carry no finer difference). */
    private const CHANCE_STEP = 0.05;

    /**
     * @param list<Candidate> $candidates
     * @param list<Rejection> $rejections
     */
    private function __construct(public array $candidates, public array $rejections)
    {
    }

    /**
     * @param list<SideFacts> $sides
     * @param list<string>    $agentIds agents on the shelf; bare is always tried
     */
    public static function of(Catalogue $catalogue, JobRequest $job, array $sides, array $agentIds, Experience $experience): self
    {
        $gates = self::gates();
        $agents = [null, ...array_map($catalogue->agent(...), $agentIds)];
        $candidates = [];
        $rejections = [];
        foreach ($sides as $side) {
            $surface = $catalogue->surface($side->surfaceId);
            $pairing = $catalogue->pairing($job->material->id, $side->surfaceId);
            foreach ($agents as $agent) {
                $treatment = $pairing?->treatment($agent?->id);
                $proposal = new Proposal($job, $side, $surface, $agent, $pairing, $treatment);
                foreach ($gates as $gate) {
                    $reason = $gate->refuses($proposal);
                    if (null !== $reason) {
                        $rejections[] = new Rejection($proposal, $reason);
                        continue 2;
                    }
                }
                if (null !== $pairing && null !== $treatment) {
                    $candidates[] = Candidate::of($proposal, $pairing, $treatment, $experience);
                }
            }
        }
        $order = array_map(static fn (Candidate $c): array => [
            -round($c->chance / self::CHANCE_STEP), $c->consumableRank(), $c->targetC ?? 0, -$c->chance, $c->label(),
        ], $candidates);
        uksort($candidates, static fn (int $a, int $b): int => $order[$a] <=> $order[$b]);
        $candidates = array_values($candidates);

        return new self($candidates, $rejections);
    }

    /**
     * The rejections with those of one side that share their reason drawn together; what is ruled out by knowledge
     * stands before what merely does not fit the printer.
     *
     * @return list<array{label: string, reason: string}>
     */
    public function rejectionsDrawnTogether(): array
    {
        $groups = [];
        foreach ($this->rejections as $rejection) {
            $groups[$rejection->proposal->side->id."\0".$rejection->reason][] = $rejection;
        }
        $drawn = [];
        foreach ($groups as $group) {
            $drawn[] = ['label' => 1 === \count($group) ? $group[0]->label() : $group[0]->proposal->side->label, 'reason' => $group[0]->reason, 'size' => \count($group)];
        }
        usort($drawn, static fn (array $a, array $b): int => $a['size'] <=> $b['size']);

        return array_map(static fn (array $each): array => ['label' => $each['label'], 'reason' => $each['reason']], $drawn);
    }

    /** @return list<Gate> in the order in which a technician rules things out */
    private static function gates(): array
    {
        return [
            new PrinterGate(),
            new PlateSizeGate(),
            new KnownPairGate(),
            new BarrierGate(),
            new HarmfulAgentGate(),
            new NeverHoldsGate(),
            new HeatLimitGate(),
        ];
    }
}
