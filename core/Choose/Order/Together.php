<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\Influences;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Gate\Stop;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Window\SeatStacks;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Several materials in one first layer, on one side: each has to pass, hold and let go, at the one temperature that a bed has.
 * The print holds no better than the one that holds worst (common practice: a support of another plastic lifts first, and takes
 * the part along), so that one speaks for all.
 */
final readonly class Together
{
    /** What arithmetic may be off, K. */
    private const NOTHING_K = 0.05;

    /** @param non-empty-list<Proposal> $bares that which the job is asked for first, then the others, at the bed that suits all */
    private function __construct(
        private array $bares,
        /** Somebody set the bed. */
        private bool $byHand,
        /** Why no bed suits all. */
        private ?Sentence $apart = null,
    ) {
    }

    /**
     * @throws BadCatalogue if the catalogue has no such entry
     * @throws BadHeat      if a figure cannot be
     */
    public static function on(Proposal $main, Catalogue $catalogue, SeatStacks $stacks): self
    {
        $make = static fn (JobRequest $job): Proposal => Proposal::ofSide(
            $job,
            $main->side,
            $main->surface,
            $catalogue->pairing($job->material->id, $main->surface->id),
            $stacks,
        );
        $bares = array_map($make, $main->job->eachMaterial());
        $byHand = null !== $main->job->bedC;
        if ($byHand || null === $main->job->printer->maxBedC || !self::windowed($bares)) {
            return new self($bares, $byHand);
        }
        [$display, $apart] = self::bed($main->job, $bares, $main->stack, $main->stops());

        return null === $display ? new self($bares, false, $apart) : new self(array_map($make, $main->job->eachMaterial($display)), false);
    }

    /** That which the job is asked for. */
    public function main(): Proposal
    {
        return $this->bares[0];
    }

    /**
     * Why they cannot be printed there together, or null.
     *
     * @param list<Gate> $gates whatever is put on the side
     */
    public function refuses(array $gates): ?Sentence
    {
        return self::first($gates, $this->bares) ?? $this->apart;
    }

    /**
     * Why they cannot be printed there together with an agent, or null.
     *
     * @param list<Gate> $gates of an agent
     *
     * @throws BadHeat if a figure cannot be
     */
    public function refusesWith(?Agent $agent, array $gates): ?Sentence
    {
        return self::first($gates, $this->with($agent));
    }

    /**
     * What is to be expected: of that which limits, with what the others would do beside it.
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    public function limiting(?Agent $agent, Experience $experience, ?float $costPerCoat): ?Candidate
    {
        $candidates = [];
        $seat = $experience->proven($this->main()->job, $this->main()->side, $agent?->id);
        foreach ($this->with($agent) as $proposal) {
            // What was proven for these together is at its bed.
            $proposal = null === $seat?->bedC || $this->byHand ? $proposal : $proposal->atBed($seat->bedC);
            if (null !== $proposal->pairing && null !== $proposal->treatment && null !== $proposal->target) {
                $candidates[] = Candidate::of(
                    $proposal,
                    $proposal->pairing,
                    $proposal->treatment,
                    $proposal->target,
                    new Influences(),
                    $experience->of($proposal->job->material),
                    $costPerCoat,
                );
            }
        }
        // A stable sort: where they are alike, that which was asked for speaks.
        usort($candidates, static fn (Candidate $a, Candidate $b): int => $a->chance <=> $b->chance);
        $limiting = array_shift($candidates);

        return $limiting?->limitsBefore(...$candidates);
    }

    /**
     * @return list<Proposal> of each material with the agent
     *
     * @throws BadHeat if a figure cannot be
     */
    private function with(?Agent $agent): array
    {
        return array_map(static fn (Proposal $bare): Proposal => $bare->withAgent($agent), $this->bares);
    }

    /**
     * @param list<Gate>     $gates
     * @param list<Proposal> $proposals
     */
    private static function first(array $gates, array $proposals): ?Sentence
    {
        foreach ($proposals as $proposal) {
            foreach ($gates as $gate) {
                $reason = $gate->refuses($proposal);
                if (null !== $reason) {
                    return Sentence::of('gate.of_material', material: $proposal->job->material->name, reason: $reason);
                }
            }
        }

        return null;
    }

    /** @param list<Proposal> $bares */
    private static function windowed(array $bares): bool
    {
        return [] === array_filter($bares, static fn (Proposal $bare): bool => Axis::Celsius !== $bare->pairing?->window->axis);
    }

    /**
     * The display for which the surface lies in the windows of all, as near as can be to what each would have.
     *
     * @param non-empty-list<Proposal> $bares
     * @param list<Stop>               $stops
     *
     * @return array{?float, ?Sentence} null with the reason: no bed suits all
     *
     * @throws BadHeat if a figure cannot be
     */
    private static function bed(JobRequest $job, array $bares, ?Stack $stack, array $stops): array
    {
        $low = -\INF;
        $high = \INF;
        $wanted = [];
        foreach ($bares as $bare) {
            $window = $bare->pairing?->window;
            if (null === $window) {
                return [null, null];
            }
            $low = max($low, $window->low);
            $high = min($high, $window->high);
            $wanted[] = $bare->target->wanted ?? $window->target;
        }
        foreach ($stops as $stop) {
            $high = min($high, $stop->onSurface || null === $stack ? $stop->atC : $stack->surfaceAt($stop->atC, $job->airC()));
        }
        if ($low > $high + self::NOTHING_K) {
            return [null, Sentence::of('gate.no_common_bed', windows: Listing::of(array_map(static fn (Proposal $bare): Sentence => Sentence::of(
                'gate.wants_bed',
                material: $bare->job->material->name,
                low: Quantity::celsius($bare->pairing->window->low ?? 0.0),
                high: Quantity::celsius($bare->pairing->window->high ?? 0.0),
            ), $bares), Joined::Comma))];
        }
        $at = min(max(array_sum($wanted) / \count($wanted), $low), $high);
        $display = null === $stack ? $at : $stack->displayFor($at, $job->airC());
        // A whole degree, on the side that passes no limit.
        $whole = round($display);

        return [null === Target::limits($job, $whole, $stops, $stack) ? $whole : floor($display), null];
    }
}
