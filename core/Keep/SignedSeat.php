<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\Conditions;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a signed profile stands for. */
final readonly class SignedSeat
{
    public function __construct(
        public string $materialId,
        /** Null: none that is here. */
        public ?string $printerId,
        /** Null: any of the kind. */
        public ?string $sideId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentId,
        /** On the display; null: unheated, or a resin. */
        public ?float $bedC,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS,
        public bool $trial,
        public bool $doubted,
        public string $profileId,
        /** Of the prints that it is trusted for, min; null: none was measured. */
        public ?float $longestMinutes,
        public int $mostParts,
    ) {
    }

    /** How far it reaches, in a few words. */
    public function reach(): Sentence
    {
        $parts = Quantity::count($this->mostParts);

        return null === $this->longestMinutes
            ? Sentence::of('seat_reach.no_length', parts: $parts)
            : Sentence::of('seat_reach.up_to', longest: Quantity::minutes($this->longestMinutes), parts: $parts);
    }

    /** Whether it vouches for what was printed: validated, not in question, and with that very setup. */
    public function covers(Printed $printed): bool
    {
        return !$this->trial
            && !$this->doubted
            && $this->materialId === $printed->materialId
            && $this->printerId === $printed->printerId
            && $this->surfaceId === $printed->surfaceId
            && $this->agentId === $printed->agentId
            && Conditions::sameBed($this->bedC, $printed->bedC)
            && Conditions::sameExposure($this->exposureS, $printed->exposureS)
            && (null === $this->sideId || $this->sideId === $printed->sideId);
    }
}
