<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** One way to use a pair: bare, or with one agent. */
final readonly class Treatment
{
    public function __construct(
        /** Null: bare. */
        public ?string $agentId,
        public AgentRole $role,
        public Grade $hold,
        public Grade $release,
        /** Whether it keeps the part from bonding where the pair bonds for good. */
        public bool $barrier,
        /** Why, in a sentence. */
        public ?CatalogueText $note,
        /** Hold of small contacts, thin ends and tall parts, where practice tells it apart. */
        public ?Grade $holdSmall = null,
        /** Hold of a full plate, where practice tells it apart. */
        public ?Grade $holdFull = null,
        /** Hold on an unheated bed; null: practice does not offer it cold. */
        public ?Grade $holdCold = null,
        public Basis $basis = Basis::Practice,
        /** The shop's own word on it, where there is one. */
        public ?ShopFact $shop = null,
        /** What practice says of it on an unheated bed. */
        public ?CatalogueText $noteCold = null,
    ) {
    }

    public function noteAt(bool $unheated): ?CatalogueText
    {
        return $unheated ? $this->noteCold ?? $this->note : $this->note;
    }

    /** What practice says of holding with the bed on, or off where it knows that. */
    public function holdAt(bool $unheated): Grade
    {
        return $unheated ? $this->holdCold ?? $this->hold : $this->hold;
    }
}
