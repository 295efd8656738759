<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** A kind of agent that is put between plate and part. */
final readonly class Agent
{
    /**
     * @param list<string> $solvents  what it brings onto the plate
     * @param list<string> $removedBy cleaner ids, any of which takes it off
     */
    public function __construct(
        public string $id,
        public CatalogueText $name,
        public CatalogueText $carrier,
        public array $solvents,
        public array $removedBy,
        /** How many prints a coat usually lasts. */
        public int $coatPrints,
        public CatalogueText $putOn,
        public CatalogueText $lasts,
        public CatalogueText $offWith,
        /** What can hurt, or null. */
        public ?CatalogueText $hazard,
        public Basis $basis,
        /** Put on away from the printer only: its mist is flammable and fouls rails. */
        public bool $offPrinter = false,
        /** From where on it grips, °C; null: at any temperature. */
        public ?float $gripsC = null,
        /** At and below this it lets go, °C; null: it has no temperature of its own. */
        public ?float $letsGoC = null,
        /** It shows on the underside of the part. */
        public bool $traces = true,
        /** @var array<string, int> prints that a coat lasted in the shop's own tests, by surface */
        public array $ownCoatPrints = [],
        /** What stays on the underside of the part, and what is done about it; null: nobody says. */
        public ?CatalogueText $underside = null,
        /** How long a jar keeps once it is opened, months; null: for years. */
        public ?float $keepsMonths = null,
        /** It then thickens, and is thinned back; else it is spoilt. */
        public bool $thickens = false,
    ) {
    }

    /** How many prints a coat lasts on a surface: by the shop's own test, else as it usually does. */
    public function coatPrintsOn(string $surfaceId): int
    {
        return $this->ownCoatPrints[$surfaceId] ?? $this->coatPrints;
    }

    /** @param array<string, int> $prints by surface */
    public function withOwnCoatPrints(array $prints): self
    {
        return new self(...['ownCoatPrints' => $prints] + get_object_vars($this));
    }
}
