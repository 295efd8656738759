<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** Under which own runs were made, as far as a job can be like them: hundreds of runs share a few dozen of these. */
final readonly class RunConditions
{
    public function __construct(
        /** On the display; null: unheated. */
        public ?float $bedC,
        /** After the first layer; null: unheated, or as in the first layer. */
        public ?float $bedOtherC = null,
        /** Null: whichever, as in a sum over printers. */
        public ?string $printerId = null,
        public bool $enclosed = true,
        public ?float $chamberC = null,
        public ?float $nozzleC = null,
        public ?float $gapMm = null,
        /** Null: as in the room of the job. */
        public ?float $roomC = null,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS = null,
        /** Made with something around the foot that the other setups of its comparison did not have. */
        public bool $ownBrim = false,
        /** Prints for use: no test. */
        public bool $forUse = false,
    ) {
    }
}
