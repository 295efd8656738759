<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Test\Outcome;

/** So many prints for use of one material on one plate side in one month that ended alike. */
final readonly class PrintedInMonth
{
    public function __construct(
        /** ISO 8601, as in 2026-11. */
        public string $month,
        public string $materialId,
        public string $sideId,
        public Outcome $outcome,
        /** Held and let go. */
        public bool $cameTrue,
        public int $prints,
        /** Printed in all, as far as it was measured. */
        public float $minutes,
        /** On them the plate was harmed. */
        public int $damaged,
        /** In the shop's money, of plates and coats; null: a price is not known. */
        public ?float $cost,
        /** Of bed and chamber, in all those of which it is known. */
        public float $energyWh = 0.0,
        /** Of so many it is known. */
        public int $energyKnown = 0,
    ) {
    }
}
