<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\Design;

/** How many runs a plan makes and how, before anything is changed by hand. */
final readonly class PlanShape
{
    public function __construct(
        public Design $design,
        public int $runsPerSetup,
        public int $hotPerSetup,
        public int $visits,
        /** Whether parts are pulled with a gauge. */
        public bool $pulls,
        /** Parts on the plate at a time. */
        public int $partsPerRun = 1,
        /** A coat is put on at each visit and stays for all its prints, on one spot. */
        public bool $coatStays = false,
    ) {
    }
}
