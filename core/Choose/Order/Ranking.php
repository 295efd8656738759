<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\Influences;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Gate\Gates;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\JobOnPrinter;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\HeatPlans;
use Sitzplatz\Choose\Window\SeatStacks;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/**
 * The shop's own plate sides × agents for a job: those that pass every gate in the wished order, usually by the chance of
 * success; among those that cannot be told apart what is proven first, then what is likelier by five points; as likely a worn or damaged
 * side last and what was printed here first, then less consumable, shorter turnaround, lower cost. The others with the reason that ruled them out.
 */
final readonly class Ranking
{
    /** Chances nearer than this are not worth a consumable (our own choice: practice grades carry no finer difference). */
    private const CHANCE_STEP = 0.05;
    private const MINUTES_STEP = 5.0;
    private const ENERGY_STEP_WH = 5.0;
    /** In the shop's money. */
    private const COST_STEP = 0.05;

    /**
     * @param list<Candidate> $candidates
     * @param list<Rejection> $rejections
     * @param array<int, int> $brackets   by object id
     */
    private function __construct(
        public array $candidates,
        public array $rejections,
        public HeatPlans $heat,
        private array $brackets,
    ) {
    }

    /** Which bracket of what cannot be told apart a candidate is in, from 0; the lower the likelier. */
    public function bracketOf(Candidate $candidate): int
    {
        return $this->brackets[spl_object_id($candidate)] ?? 0;
    }

    /**
     * By what a candidate leads one that stands below it and is likelier both to hold and to let go; null: there is none.
     *
     * @throws BadHeat if a figure cannot be
     */
    public function leadsBy(Candidate $candidate): ?Sentence
    {
        $below = false;
        foreach ($this->candidates as $other) {
            $below = $below || $other === $candidate;
            if ($below && $other->hold->chance > $candidate->hold->chance && $other->release->chance > $candidate->release->chance) {
                return Sentence::of($this->leads($candidate, $other), other: $other->proposal->label());
            }
        }

        return null;
    }

    /** @throws BadHeat if a figure cannot be */
    private function leads(Candidate $one, Candidate $other): string
    {
        $less = static fn (\Closure $of): bool => $of($one) < $of($other);

        return 'leads.'.match (true) {
            $less(static fn (Candidate $c): int => \count($c->missed)) => 'wish',
            $less(static fn (Candidate $c): int => $c->proven ? 0 : 1) => 'proven',
            $less(static fn (Candidate $c): int => $c->poorSide() ? 1 : 0) => 'sound',
            $less(static fn (Candidate $c): int => $c->hold->runs > 0 ? 0 : 1) => 'tried',
            $less(static fn (Candidate $c): int => $c->consumableRank()) => 'consumable',
            $less(fn (Candidate $c): float => $this->heat->of($c->proposal)?->turnaroundMinutes() ?? \INF) => 'time',
            $less(static fn (Candidate $c): float => $c->costPerPrint ?? \INF) => 'cost',
            default => 'cooler',
        };
    }

    /**
     * What bed and chamber take; null: the layers of the plate are not known, or it is a resin.
     *
     * @throws BadHeat if a figure cannot be
     */
    public function heatUse(Candidate $candidate): ?HeatUse
    {
        // An unheated bed takes nothing; what is known of its layers is no matter.
        return $candidate->proposal->off ? new HeatUse(0.0, 0.0) : $this->heat->of($candidate->proposal)?->heatUse();
    }

    /**
     * @param list<SideFacts>  $sides
     * @param list<AgentFacts> $agents agents on the shelf; bare is always tried
     * @param int|null         $enough so many are looked at: the rest follows by its chance alone, as finer differences cost
     *                                 most of the time; null: all are put in order
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     * @throws BadHeat      if a figure cannot be
     * @throws BadWarp      if a figure cannot be
     */
    public static function of(Catalogue $catalogue, JobRequest $job, array $sides, array $agents, Experience $experience, ?int $enough = null): self
    {
        return self::over($catalogue, [new JobOnPrinter($job, $sides)], $agents, $experience, $enough);
    }

    /**
     * The same job over several printers, as one ranking.
     *
     * @param list<JobOnPrinter> $jobs   they differ in the printer alone
     * @param list<AgentFacts>   $agents as for {@see of}
     * @param int|null           $enough as for {@see of}
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     * @throws BadHeat      if a figure cannot be
     * @throws BadWarp      if a figure cannot be
     */
    public static function over(Catalogue $catalogue, array $jobs, array $agents, Experience $experience, ?int $enough = null): self
    {
        $candidates = $rejections = [];
        foreach ($jobs as $each) {
            self::pass($catalogue, $each->job, $each->sides, $agents, $experience, $candidates, $rejections);
        }
        $heat = new HeatPlans();
        $brackets = [];
        $sorted = [] === $jobs ? [] : self::sorted($candidates, $jobs[0]->job, $heat, $brackets, $enough ?? \count($candidates));

        return new self($sorted, $rejections, $heat, $brackets);
    }

    /**
     * @param list<SideFacts>  $sides
     * @param list<AgentFacts> $agents
     * @param list<Candidate>  $candidates those that pass are added
     * @param list<Rejection>  $rejections and the others here
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     * @throws BadHeat      if a figure cannot be
     * @throws BadWarp      if a figure cannot be
     */
    private static function pass(
        Catalogue $catalogue,
        JobRequest $job,
        array $sides,
        array $agents,
        Experience $experience,
        array &$candidates,
        array &$rejections,
    ): void {
        $ofSide = Gates::ofASide();
        $ofAgent = Gates::ofAnAgent();
        $influences = new Influences();
        $stacks = new SeatStacks($job->printer);
        $knownOfSide = $knownOfAgent = $unknown = [];
        foreach ($sides as $side) {
            $bare = Proposal::ofSide(
                $job,
                $side,
                $catalogue->surface($side->surfaceId),
                $catalogue->pairing($job->material->id, $side->surfaceId),
                $stacks,
            );
            $together = [] === $job->also ? null : Together::on($bare, $catalogue, $stacks);
            $bare = $together?->main() ?? $bare;
            $reason = self::refusal($ofSide, $bare, $knownOfSide) ?? $together?->refuses($ofSide);
            if (null !== $reason || null === $bare->pairing || null === $bare->target) {
                $rejections[] = new Rejection($bare, $reason, true);
                continue;
            }
            foreach ([null, ...$agents] as $agent) {
                $kind = $bare->surface->id.'/'.$agent?->kindId;
                // What nobody knows of a surface with an agent is said once, however many sides have that surface.
                if (isset($unknown[$kind])) {
                    continue;
                }
                $proposal = $bare->withAgent(null === $agent ? null : $catalogue->agent($agent->kindId));
                $reason = self::refusal($ofAgent, $proposal, $knownOfAgent);
                $reason ??= $together?->refusesWith($proposal->agent, $ofAgent);
                if (null === $proposal->treatment) {
                    $unknown[$kind] = new Rejection($proposal, $reason, false, true);
                    continue;
                }
                if (null !== $reason) {
                    $rejections[] = new Rejection($proposal, $reason, false);
                    continue;
                }
                $limiting = $together?->limiting($proposal->agent, $experience, $agent?->costPerCoat);
                if (null !== $limiting) {
                    $candidates[] = $limiting;
                    continue;
                }
                $usual = $proposal->asProven($experience->proven($job, $side, $agent?->kindId));
                $often = $experience->often($job, $side, $agent?->kindId, $usual->target?->setting($job->material));
                foreach ([$usual, $usual->asOften($often), $proposal->withBedOff()] as $way) {
                    if (null !== $way && null !== $way->target) {
                        $candidates[] = Candidate::of(
                            $way,
                            $bare->pairing,
                            $proposal->treatment,
                            $way->target,
                            $influences,
                            $experience,
                            $agent?->costPerCoat,
                        );
                    }
                }
            }
        }
        array_push($rejections, ...array_values($unknown));
    }

    /**
     * The rejections with those of one side that share their reason drawn together; what is ruled out by knowledge
     * stands before what merely does not fit the printer, and what nobody knows comes last, one line for an agent.
     *
     * @return list<array{label: Phrase, reason: ?Sentence, first: ?Rejection}> first: one that stands for all of the line
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
                'first' => $group[0],
                'whole' => $group[0]->wholeSide,
            ];
        }
        usort($drawn, static fn (array $a, array $b): int => $a['whole'] <=> $b['whole']);
        $lines = array_map(static fn (array $each): array => ['label' => $each['label'], 'reason' => $each['reason'], 'first' => $each['first']], $drawn);
        foreach ($unknown as $group) {
            $lines[] = [
                'label' => Sentence::of('candidate.name', name: $group[0]->proposal->agentName()),
                'reason' => Sentence::of(
                    'gate.unknown_on_these',
                    material: $group[0]->proposal->job->material->name,
                    surfaces: Listing::of(self::surfaces($group), Joined::Comma),
                ),
                'first' => null,
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
     * @param array<int, int> $brackets   by object id
     *
     * @return list<Candidate>
     *
     * @throws BadHeat if a figure cannot be
     */
    private static function sorted(array $candidates, JobRequest $job, HeatPlans $heat, array &$brackets, int $enough): array
    {
        $sorted = [];
        foreach (self::buckets($candidates, static fn (Candidate $c): int => \count($c->missed)) as $bucket) {
            array_push($sorted, ...self::inOrder($bucket, $job->wishes->order(), $job, $heat, $brackets, $enough - \count($sorted)));
        }

        return $sorted;
    }

    /**
     * @param list<Candidate> $candidates
     * @param list<Criterion> $order
     * @param array<int, int> $brackets   by object id
     * @param int             $enough     how many of them have to be put in order
     *
     * @return list<Candidate>
     *
     * @throws BadHeat if a figure cannot be
     */
    private static function inOrder(array $candidates, array $order, JobRequest $job, HeatPlans $heat, array &$brackets, int $enough): array
    {
        // A chance puts even a single one into its bracket; the rest is nothing to be reckoned for it.
        if (\count($candidates) < 2 && !\in_array(Criterion::Chance, $order, true)) {
            return $candidates;
        }
        if ([] === $order) {
            $keys = array_map(
                static fn (Candidate $c): array => [-$c->chance, $c->target->at ?? 0, $c->proposal->side->label, $c->treatment->agentId ?? ''],
                $candidates,
            );
            uksort($candidates, static fn (int $a, int $b): int => $keys[$a] <=> $keys[$b]);

            return array_values($candidates);
        }
        $criterion = array_shift($order);
        $buckets = [];
        if (Criterion::Chance === $criterion) {
            foreach (Brackets::of($candidates, $enough) as $bracket) {
                $next = [] === $brackets ? 0 : $brackets[array_key_last($brackets)] + 1;
                foreach ($bracket as $candidate) {
                    $brackets[spl_object_id($candidate)] = $next;
                }
                // What a worn or damaged side costs is in its chance; as likely, it stands last, and what was printed here before what never was.
                foreach (self::buckets($bracket, static fn (Candidate $c): int => $c->proven ? 0 : 1) as $alike) {
                    array_push($buckets, ...self::buckets(
                        $alike,
                        static fn (Candidate $c): float => -4 * round($c->chance / self::CHANCE_STEP) + ($c->poorSide() ? 2 : 0) + ($c->hold->runs > 0 ? 0 : 1),
                    ));
                }
            }
        } else {
            $buckets = self::buckets($candidates, static fn (Candidate $c): float => match ($criterion) {
                Criterion::Consumable => $c->consumableRank(),
                Criterion::Turnaround => self::stepped($heat->of($c->proposal)?->turnaroundMinutes(), self::MINUTES_STEP, $c),
                Criterion::Cost => round(($c->costPerPrint ?? 1e6) / self::COST_STEP),
                Criterion::Energy => self::stepped($heat->of($c->proposal)?->energyWh($job->minutes), self::ENERGY_STEP_WH, $c),
            });
        }
        $sorted = [];
        foreach ($buckets as $bucket) {
            array_push($sorted, ...(\count($sorted) < $enough ? self::inOrder($bucket, $order, $job, $heat, $brackets, $enough - \count($sorted)) : $bucket));
        }

        return $sorted;
    }

    /**
     * @param list<Candidate>                  $candidates
     * @param \Closure(Candidate): (int|float) $by
     *
     * @return list<list<Candidate>> with the least first
     */
    private static function buckets(array $candidates, \Closure $by): array
    {
        $buckets = [];
        foreach ($candidates as $candidate) {
            $buckets[(string) $by($candidate)][] = $candidate;
        }
        ksort($buckets, \SORT_NUMERIC);

        return array_values($buckets);
    }

    /** Where nothing is known of the layers, a warmer target stands for a longer way and more energy. */
    private static function stepped(?float $value, float $step, Candidate $candidate): float
    {
        return match (true) {
            null === $candidate->target->displayC && $candidate->proposal->off => 0.0,
            null === $value => 1e3 + ($candidate->target->at ?? 0),
            default => round($value / $step),
        };
    }

    /**
     * @param list<Gate>                                                     $gates
     * @param array<string, array<string, array{list<Gate>, Sentence|null}>> $known by surface and agent: the gates that are to be asked of each
     *                                                                              side before what their kinds say
     */
    private static function refusal(array $gates, Proposal $proposal, array &$known): ?Sentence
    {
        [$each, $ofKinds] = $known[$proposal->surface->id][$proposal->agent->id ?? ''] ??= self::ofKinds($gates, $proposal);
        foreach ($each as $gate) {
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                return $reason;
            }
        }

        return $ofKinds;
    }

    /**
     * @param list<Gate> $gates
     *
     * @return array{list<Gate>, Sentence|null}
     */
    private static function ofKinds(array $gates, Proposal $proposal): array
    {
        $each = [];
        foreach ($gates as $gate) {
            if (!$gate instanceof GateOfKinds) {
                $each[] = $gate;
                continue;
            }
            $reason = $gate->refuses($proposal);
            if (null !== $reason) {
                return [$each, $reason];
            }
        }

        return [$each, null];
    }
}
