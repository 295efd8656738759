<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\RunsToTell;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Gate\Gates;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Order\Brackets;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Order\Step;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Two setups held against each other: in which numbers, gates and reasons they differ, and how sure it is which is better. */
final readonly class SideBySide
{
    /** Nothing that is believed is said to be certain. */
    private const SUREST_SAID = 0.99;

    /**
     * @param list<Facet>                       $facets
     * @param array{list<Phrase>, list<Phrase>} $gates   that rule the one and the other out
     * @param array{list<Phrase>, list<Phrase>} $reasons that the one and the other has for itself
     */
    private function __construct(
        public array $facets,
        public array $gates,
        public array $reasons,
        /** Which is better, how sure that is, and how many runs would tell; null: one of them is ruled out. */
        public ?Sentence $better,
    ) {
    }

    /** @throws BadHeat if a figure cannot be */
    public static function of(Candidate|Rejection $one, Candidate|Rejection $other, Ranking $ranking): self
    {
        $each = [self::facets($one, $ranking), self::facets($other, $ranking)];
        $reasons = [self::reasons($one), self::reasons($other)];

        return new self(
            array_map(
                static fn (string $id): Facet => new Facet($id, $each[0][$id], $each[1][$id]),
                array_values(array_filter(array_keys($each[0]), static fn (string $id): bool => null !== $each[0][$id] || null !== $each[1][$id])),
            ),
            [self::gates($one), self::gates($other)],
            [array_values(array_diff_key($reasons[0], $reasons[1])), array_values(array_diff_key($reasons[1], $reasons[0]))],
            $one instanceof Candidate && $other instanceof Candidate ? self::better($one, $other) : null,
        );
    }

    /**
     * @return array<string, Phrase|null>
     *
     * @throws BadHeat if a figure cannot be
     */
    private static function facets(Candidate|Rejection $setup, Ranking $ranking): array
    {
        $proposal = $setup->proposal;
        $candidate = $setup instanceof Candidate ? $setup : null;
        $window = $proposal->pairing?->window;
        $target = $proposal->target;
        $scale = static fn (float $value): Quantity => Axis::Seconds === $window?->axis ? Quantity::seconds($value) : Quantity::celsius($value, 1);
        $heat = null === $candidate ? null : $ranking->heat->of($proposal);
        $turnaround = $heat?->turnaroundMinutes();
        $stop = $proposal->stops()[0] ?? null;
        $releaseC = $proposal->pairing?->releaseWithC($proposal->agent);

        return [
            'chance' => null === $candidate ? null : Sentence::of('facet.on_average', share: Quantity::share($candidate->chance)),
            'hold' => self::range($candidate?->hold),
            'release' => self::range($candidate?->release),
            'known' => $candidate?->known(),
            'display' => null === $target?->displayC ? null : Quantity::celsius($target->displayC, 1),
            'at' => null === $target?->at ? null : $scale($target->at),
            'window' => null === $window ? null : Sentence::of('facet.range', low: $scale($window->low), high: $scale($window->high)),
            'limit' => null === $stop || Axis::Seconds === $window?->axis
                ? null : Sentence::of('facet.stop', stop: $stop->label(), at: Quantity::celsius($stop->atC, 1)),
            'lets_go' => null === $releaseC ? null : Quantity::celsius($releaseC, 1),
            'printer' => Sentence::of('facet.name', name: $proposal->job->printer->name),
            'surface' => $proposal->surface->name,
            'agent' => $proposal->agentName(),
            'foothold' => $proposal->foothold()->words(),
            'first' => self::listed(array_map(static fn (Step $step): Sentence => $step->words, $proposal->steps())),
            'turnaround' => null === $turnaround ? null : Quantity::minutes($turnaround),
            'cost' => null === $candidate?->costPerPrint ? null : Quantity::money($candidate->costPerPrint),
            'underside' => Sentence::of('facet.finish', finish: $proposal->surface->finish),
        ];
    }

    /** @param list<Phrase> $phrases whole sentences */
    private static function listed(array $phrases): ?Listing
    {
        return [] === $phrases ? null : Listing::of($phrases, Joined::Space);
    }

    private static function range(?Expectation $expectation): ?Sentence
    {
        $interval = $expectation?->interval();

        return null === $interval ? null : Sentence::of('facet.range', low: Quantity::share($interval->low), high: Quantity::share($interval->high));
    }

    /** @return list<Phrase> */
    private static function gates(Candidate|Rejection $setup): array
    {
        if ($setup instanceof Candidate) {
            return [];
        }
        $proposal = $setup->proposal;
        $gates = $setup->wholeSide ? Gates::ofASide() : Gates::ofAnAgent();
        $said = array_values(array_filter(array_map(static fn (Gate $gate): ?Sentence => $gate->refuses($proposal), $gates)));

        return [] === $said && null !== $setup->reason ? [$setup->reason] : $said;
    }

    /** @return array<string, Phrase> by what they say */
    private static function reasons(Candidate|Rejection $setup): array
    {
        $said = [];
        foreach ($setup instanceof Candidate ? $setup->reasons() : [] as $reason) {
            $said[serialize($reason->toArray())] = $reason;
        }

        return $said;
    }

    private static function better(Candidate $one, Candidate $other): Sentence
    {
        [$first, $second] = $one->chance >= $other->chance ? [$one, $other] : [$other, $one];
        $sure = Brackets::sure($first, $second);
        $with = ['better' => $first->proposal->label(), 'sure' => Quantity::share(min(self::SUREST_SAID, $sure))];
        if ($sure >= Brackets::SURE) {
            return Sentence::of('side_by_side.sure', ...$with);
        }
        $runs = RunsToTell::apart($first->success(), $second->success());

        return null === $runs
            ? Sentence::of('side_by_side.never', ...$with, most: Quantity::count(RunsToTell::MOST))
            : Sentence::of('side_by_side.open', ...$with, runs: $runs->words());
    }
}
