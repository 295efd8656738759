<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** An agent on the shelf. */
final readonly class AgentFacts
{
    public function __construct(
        /** Its kind in the catalogue. */
        public string $kindId,
        /** What the shop calls it. */
        public string $name,
        /** Price ÷ coats; null: not known. */
        public ?float $costPerCoat = null,
    ) {
    }
}
