<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Design;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\RunOrder;

/** All that decides on what may be done with a comparison. */
final readonly class ComparisonState
{
    /**
     * @param list<PlannedSetup> $setups
     * @param list<string>       $sidesWithNewSurface sides whose surface was changed since this was planned
     * @param list<string>       $risksNotTaken       their letters
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
        public Design $design = Design::Fixed,
        /** Of each plate. */
        public int $visits = RunOrder::VISITS,
        /** The number of the last visit to a plate that is planned. */
        public int $lastVisit = RunOrder::VISITS,
        /** Setups are rungs that are tried one after the other. */
        public bool $inTurn = false,
        /** Parts stand on all spots of the plate equally often. */
        public bool $spread = false,
        /** Setups that practice rules out, and no lead has taken on. */
        public array $risksNotTaken = [],
    ) {
    }
}
