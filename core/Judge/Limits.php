<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Effort;

/** What a setup has to reach in a comparison, fixed before the first run. */
final readonly class Limits
{
    public function __construct(
        /** The mean hot pull has to clear this, N. */
        public float $hotPullAtLeastN,
        /** The mean cold pull has to stay below this, N. */
        public float $coldPullAtMostN,
        public Effort $effortAtMost,
        /** Runs that may fail (come off, or release too hard) before the setup is out. */
        public int $failuresAllowed,
        /** Runs that each setup is planned to get. */
        public int $runsPlanned,
        /** Of these, runs that are planned to give a cold pull. */
        public int $coldRunsPlanned,
    ) {
    }
}
