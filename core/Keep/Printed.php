<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** Prints for use of one material with one setup. */
final readonly class Printed
{
    public function __construct(
        public string $materialId,
        public string $printerId,
        public string $sideId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentId,
        /** On the display; null: unheated, or a resin. */
        public ?float $bedC,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS,
        public int $prints,
        public int $cameTrue,
        /** Of the last that held and let go, ISO 8601; null: none did. */
        public ?string $lastTrue,
    ) {
    }
}
