<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Gate\Internal\BarrierGate;
use Sitzplatz\Choose\Gate\Internal\CleanerGate;
use Sitzplatz\Choose\Gate\Internal\ColdBedGate;
use Sitzplatz\Choose\Gate\Internal\EnclosureGate;
use Sitzplatz\Choose\Gate\Internal\HarmfulAgentGate;
use Sitzplatz\Choose\Gate\Internal\KnownPairGate;
use Sitzplatz\Choose\Gate\Internal\KnownTreatmentGate;
use Sitzplatz\Choose\Gate\Internal\NeverHoldsGate;
use Sitzplatz\Choose\Gate\Internal\NozzleGate;
use Sitzplatz\Choose\Gate\Internal\OffPrinterGate;
use Sitzplatz\Choose\Gate\Internal\PlateSizeGate;
use Sitzplatz\Choose\Gate\Internal\PrinterGate;
use Sitzplatz\Choose\Gate\Internal\ProbeGate;
use Sitzplatz\Choose\Gate\Internal\RaftGate;
use Sitzplatz\Choose\Gate\Internal\SolventGate;
use Sitzplatz\Choose\Gate\Internal\SurfaceKindGate;
use Sitzplatz\Choose\Gate\Internal\TargetGate;
use Sitzplatz\Choose\Gate\Internal\ZTravelGate;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\HeatPlans;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/**
 * The shop's own plate sides × agents for a job: those that pass every gate in the wished order, usually by the chance of
 * success, then less consumable, shorter turnaround, lower cost; the others with the reason that ruled them out.
 */
final readonly class Ranking
{
    /** Chances nearer than this are not told apart (our own choice: practice grades carry no finer difference). */
    private const CHANCE_STEP = 0.05;
    private const MINUTES_STEP = 5.0;
    private const ENERGY_STEP_WH = 5.0;
    /** In the shop's money. */
    private const COST_STEP = 0.05;

    /**
     * @param list<Candidate> $candidates
     * @param list<Rejection> $rejections
     */
    private function __construct(public array $candidates, public array $rejections, public HeatPlans $heat)
    {
    }

    /**
     * @param list<SideFacts>  $sides
     * @param list<AgentFacts> $agents agents on the shelf; bare is always tried
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     * @throws BadHeat      if a figure cannot be
     */
    public static function of(Catalogue $catalogue, JobRequest $job, array $sides, array $agents, Experience $experience): self
    {
        $ofSide = self::gatesOfASide();
        $ofAgent = self::gatesOfAnAgent();
        $candidates = $rejections = [];
        foreach ($sides as $side) {
            $bare = Proposal::ofSide($job, $side, $catalogue->surface($side->surfaceId), $catalogue->pairing($job->material->id, $side->surfaceId));
            $reason = self::refusal($ofSide, $bare);
            if (null !== $reason || null === $bare->pairing || null === $bare->target) {
                $rejections[] = new Rejection($bare, $reason, true);
                continue;
            }
            foreach ([null, ...$agents] as $agent) {
                $proposal = $bare->withAgent(null === $agent ? null : $catalogue->agent($agent->kindId));
                $reason = self::refusal($ofAgent, $proposal);
                if (null !== $reason || null === $proposal->treatment) {
                    $rejections[] = new Rejection($proposal, $reason, false, null === $proposal->treatment);
                    continue;
                }
                $candidates[] = Candidate::of($proposal, $bare->pairing, $proposal->treatment, $bare->target, $experience, $agent?->costPerPrint);
            }
        }
        $heat = new HeatPlans();

        return new self(self::sorted($candidates, $job, $heat), $rejections, $heat);
    }

    /**
     * The rejections with those of one side that share their reason drawn together; what is ruled out by knowledge
     * stands before what merely does not fit the printer, and what nobody knows comes last, one line for an agent.
     *
     * @return list<array{label: Phrase, reason: ?Sentence}>
     */
    public function rejectionsDrawnTogether(): array
    {
        $groups = $unknown = [];
        foreach ($this->rejections as $rejection) {
            if ($rejection->unknownAgent) {
                $unknown[$rejection->proposal->agent->id ?? ''][] = $rejection;
            } else {
                $groups[$rejection->proposal->side->id."\0".serialize($rejection->reason)][] = $rejection;
            }
        }
        $drawn = [];
        foreach ($groups as $group) {
            $whole = $group[0]->wholeSide || \count($group) > 1;
            $drawn[] = [
                'label' => $whole ? new OwnText($group[0]->proposal->side->label) : $group[0]->label(),
                'reason' => $group[0]->reason,
                'whole' => $group[0]->wholeSide,
            ];
        }
        usort($drawn, static fn (array $a, array $b): int => $a['whole'] <=> $b['whole']);
        $lines = array_map(static fn (array $each): array => ['label' => $each['label'], 'reason' => $each['reason']], $drawn);
        foreach ($unknown as $group) {
            $lines[] = [
                'label' => Sentence::of('candidate.name', name: $group[0]->proposal->agentName()),
                'reason' => Sentence::of(
                    'gate.unknown_on_these',
                    material: $group[0]->proposal->job->material->name,
                    surfaces: Listing::of(self::surfaces($group), Joined::Comma),
                ),
            ];
        }

        return $lines;
    }

    /**
     * @param list<Rejection> $group
     *
     * @return array<string, CatalogueText> by id
     */
    private static function surfaces(array $group): array
    {
        $names = [];
        foreach ($group as $rejection) {
            $names[$rejection->proposal->surface->id] = $rejection->proposal->surface->name;
        }

        return $names;
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     *
     * @throws BadHeat if a figure cannot be
     */
    private static function sorted(array $candidates, JobRequest $job, HeatPlans $heat): array
    {
        $order = $job->wishes->order();
        $keys = array_map(static function (Candidate $c) use ($order, $job, $heat): array {
            $key = [\count($c->missed)];
            foreach ($order as $criterion) {
                $key[] = match ($criterion) {
                    Criterion::Chance => -round($c->chance / self::CHANCE_STEP),
                    Criterion::Consumable => $c->consumableRank(),
                    Criterion::Turnaround => self::stepped($heat->of($c->proposal)?->turnaroundMinutes(), self::MINUTES_STEP, $c),
                    Criterion::Cost => round(($c->costPerPrint ?? 1e6) / self::COST_STEP),
                    Criterion::Energy => self::stepped($heat->of($c->proposal)?->energyWh($job->minutes), self::ENERGY_STEP_WH, $c),
                };
            }

            return [...$key, -$c->chance, $c->target->at ?? 0, $c->proposal->side->label, $c->treatment->agentId ?? ''];
        }, $candidates);
        uksort($candidates, static fn (int $a, int $b): int => $keys[$a] <=> $keys[$b]);

        return array_values($candidates);
    }

    /** Where nothing is known of the layers, a warmer target stands for a longer way and more energy. */
    private static function stepped(?float $value, float $step, Candidate $candidate): float
    {
        return null === $value ? 1e3 + ($candidate->target->at ?? 0) : round($value / $step);
    }

    /** @param list<Gate> $gates */
    private static function refusal(array $gates, Proposal $proposal): ?Sentence
    {
        foreach ($gates as $gate) {
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                return $reason;
            }
        }

        return null;
    }

    /** @return list<Gate> in the order in which a technician rules things out, whatever is put on the side */
    private static function gatesOfASide(): array
    {
        return [
            new PrinterGate(),
            new SurfaceKindGate(),
            new PlateSizeGate(),
            new ZTravelGate(),
            new ProbeGate(),
            new KnownPairGate(),
            new EnclosureGate(),
            new NozzleGate(),
            new RaftGate(),
            new TargetGate(),
        ];
    }

    /** @return list<Gate> */
    private static function gatesOfAnAgent(): array
    {
        return [
            new SolventGate(),
            new OffPrinterGate(),
            new CleanerGate(),
            new KnownTreatmentGate(),
            new BarrierGate(),
            new HarmfulAgentGate(),
            new ColdBedGate(),
            new NeverHoldsGate(),
        ];
    }
}
