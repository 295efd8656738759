<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What a revision of a profile sets, vouches for and rests on, so that two can be told apart in words. Temperatures in °C, lengths
 * in mm, forces in N.
 */
final readonly class RevisionFacts
{
    public function __construct(
        public Scope $scope,
        /** Null: unheated, or a resin. */
        public ?float $bedFirstC,
        public ?float $bedOtherC,
        /** Of the bottom layers, s; null: a filament. */
        public ?float $exposureS,
        public ?float $nozzleFirstC,
        public ?float $nozzleMm,
        public ?float $gapMm,
        public string $feeler,
        /** "": bare. */
        public string $agentName,
        public float $reliability,
        public float $confidence,
        public int $runs,
        public int $failures,
        public ?float $hotPullN,
        public ?float $coldPullN,
    ) {
    }

    /** @return list<Sentence> what is not as it was in an earlier revision; none: it says the same */
    public function differences(self $before): array
    {
        $was = $before->facts();
        $differ = [];
        foreach ($this->facts() as $what => $is) {
            $then = $was[$what] ?? Sentence::of('revision.not_said');
            if (json_encode($is->toArray()) !== json_encode($then->toArray())) {
                $differ[] = Sentence::of('revision.changed', what: Sentence::of('revision.'.$what), is: $is, was: $then);
            }
        }

        return $differ;
    }

    /** @return array<string, Phrase> in the order in which they are read */
    private function facts(): array
    {
        $scope = $this->scope;
        $any = Sentence::of('revision.any');
        $none = Sentence::of('revision.not_said');
        $bed = static fn (?float $celsius): Phrase => null === $celsius ? Sentence::of('setup.unheated') : Quantity::celsius($celsius);
        $yes = static fn (bool $is): Sentence => Sentence::of($is ? 'answer.yes' : 'answer.no');

        return [
            ...(null === $this->exposureS ? [
                'bed' => $bed($this->bedFirstC),
                'bed_after' => $bed($this->bedOtherC),
                'nozzle_c' => null === $this->nozzleFirstC ? $none : Quantity::celsius($this->nozzleFirstC),
                'nozzle' => null === $this->nozzleMm ? $none : Quantity::millimetres($this->nozzleMm),
                'gap' => null === $this->gapMm ? $none : Quantity::millimetres($this->gapMm),
                'feeler' => '' === $this->feeler ? $none : new OwnText($this->feeler),
            ] : ['exposure' => Quantity::seconds($this->exposureS)]),
            'agent' => '' === $this->agentName ? Sentence::of('candidate.bare') : new OwnText($this->agentName),
            'lot' => null === $scope->lotId ? $any : new OwnText($scope->lotName),
            'plate' => null === $scope->sideId ? $any : new OwnText($scope->sideName),
            'printer' => new OwnText($scope->printerName),
            'room' => Sentence::of('revision.room_range', low: Quantity::celsius($scope->roomLowC), high: Quantity::celsius($scope->roomHighC)),
            'enclosure' => $yes($scope->enclosureNeeded),
            'longest' => null === $scope->longestJobMinutes ? $none : Quantity::minutes($scope->longestJobMinutes),
            'parts' => Quantity::count($scope->mostParts),
            'reliability' => Quantity::share($this->reliability),
            'confidence' => Quantity::share($this->confidence),
            'runs' => Quantity::count($this->runs),
            'failures' => Quantity::count($this->failures),
            'hot_pull' => null === $this->hotPullN ? $none : Quantity::newtons($this->hotPullN),
            'cold_pull' => null === $this->coldPullN ? $none : Quantity::newtons($this->coldPullN),
        ];
    }
}
