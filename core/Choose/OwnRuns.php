<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** Own non-void runs of one material on one side with one agent, lot and bed temperature, counted. */
final readonly class OwnRuns
{
    public function __construct(
        public string $sideId,
        public string $surfaceId,
        public ?string $agentId,
        public string $lotId,
        public ?float $bedC,
        /** Runs for which it is known whether the part held. */
        public int $runs,
        public int $held,
        /** Runs for which the release is known. */
        public int $released,
        /** Of these, taken off without scraper and damage. */
        public int $clean,
    ) {
    }
}
