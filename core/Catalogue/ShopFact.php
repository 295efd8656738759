<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/**
 * What the shop itself holds true of a pair with one agent or bare, in place of what the catalogue says or where it says
 * nothing. The catalogue's own value stays visible beside it.
 */
final readonly class ShopFact
{
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentId,
        /** Null: as the catalogue has it. */
        public ?Window $window,
        /** Null: as the catalogue has it. */
        public ?float $releaseC,
        public AgentRole $role,
        public Grade $hold,
        public Grade $release,
        public bool $barrier,
        public string $why,
        public string $who,
        /** Date, ISO 8601. */
        public string $when,
        /** It is printed in an open printer too, though the material is said to need a chamber. */
        public bool $openPrinter = false,
    ) {
    }
}
