<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A kind of agent that is put between plate and part. */
final readonly class Agent
{
    /**
     * @param list<string> $solvents  what it brings onto the plate
     * @param list<string> $removedBy cleaner ids, any of which takes it off
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $carrier,
        public array $solvents,
        public array $removedBy,
        /** How many prints a coat usually lasts. */
        public int $coatPrints,
        public string $putOn,
        public string $lasts,
        public string $offWith,
        /** What can hurt, or null. */
        public ?string $hazard,
        public Basis $basis,
    ) {
    }
}
