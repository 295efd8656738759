<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A kind of agent that is put between plate and part. */
final readonly class Agent
{
    public function __construct(
        public string $id,
        public string $name,
        public string $carrier,
        public string $putOn,
        public string $lasts,
        public string $offWith,
        /** What can hurt, or null. */
        public ?string $hazard,
        public Basis $basis,
    ) {
    }
}
