<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** A way to serve a need: a plate with an agent or bare, and the lower belief that it holds and lets go. */
final readonly class Serving
{
    public function __construct(
        public string $plateId,
        /** Null: bare. */
        public ?string $agentId,
        /** What is believed at least, of holding and of letting go the lesser; 0 to 1. */
        public float $atLeast,
    ) {
    }
}
