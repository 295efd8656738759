<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What the plate's own history says before anybody looks. */
final readonly class PlateState
{
    public function __construct(
        /** Null: no plate is named. */
        public ?int $printsSinceWash,
        public ?int $printsSinceFitting,
        /** A nozzle, levelling or crash event since the plate last held. */
        public bool $changedSinceHeld,
        /** Past what its kind usually lasts. */
        public bool $mayBeWorn = false,
    ) {
    }

    /** By how much the history speaks for a check. */
    public function weight(string $checkId): float
    {
        return match ($checkId) {
            'wash' => null !== $this->printsSinceWash ? (Wear::washIsDue($this->printsSinceWash) ? 2.0 : (0 === $this->printsSinceWash ? 0.3 : 1.0)) : 1.0,
            'gap', 'level' => $this->changedSinceHeld ? 2.5 : 1.0,
            'worn' => $this->mayBeWorn ? 3.0 : 1.0,
            default => 1.0,
        };
    }

    /** @return list<Sentence> */
    public function sentences(): array
    {
        $sentences = [];
        if (null !== $this->printsSinceWash) {
            $sentences[] = 0 === $this->printsSinceWash
                ? Sentence::of('fix.washed')
                : Sentence::of('fix.since_wash', prints: Quantity::count($this->printsSinceWash), usual: Quantity::count(Wear::PRINTS_PER_WASH));
        }
        if (null !== $this->printsSinceFitting) {
            $sentences[] = Sentence::of('fix.since_fitting', prints: Quantity::count($this->printsSinceFitting));
        }
        if ($this->changedSinceHeld) {
            $sentences[] = Sentence::of('fix.changed');
        }

        return $sentences;
    }
}
