<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** Under which own runs were made, as far as they are shown and counted by it: hundreds of runs share a few dozen of these. */
final readonly class RunConditions
{
    public function __construct(
        /** On the display; null: unheated. */
        public ?float $bedC,
        public string $printerId,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS = null,
        /** Made with something around the foot that the other setups of its comparison did not have. */
        public bool $ownBrim = false,
        /** Prints for use: no test. */
        public bool $forUse = false,
    ) {
    }
}
