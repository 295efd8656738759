<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\PlannedSetup;

/** All that decides on what may be done with a comparison. */
final readonly class ComparisonState
{
    /**
     * @param list<PlannedSetup> $setups
     * @param list<string>       $sidesWithNewSurface sides whose surface was changed since this was planned
     */
    public function __construct(
        public ComparisonStatus $status,
        public array $setups,
        public int $runsPerSetup,
        public int $hotPerSetup,
        public int $seed,
        public array $sidesWithNewSurface = [],
        /** The last place in the order that is taken. */
        public int $lastPosition = 0,
        public int $runsDone = 0,
    ) {
    }
}
