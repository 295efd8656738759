<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

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
        public ?string $note,
    ) {
    }
}
