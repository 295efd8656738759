<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The order of the runs of a comparison: seeded and random, grouped so that plates change little, yet every setup is
 * visited twice with the plate taken off in between. Without a second visit there is no error term between visits
 * and no test, only a description (randomised block order, common practice in the design of experiments).
 */
final readonly class RunOrder
{
    public const VISITS = 2;

    /** @param list<PlannedRun> $runs */
    private function __construct(
        public array $runs,
        public int $plateChanges,
        /** Plate changes that a single visit to each plate would have taken. */
        public int $plateChangesSingleVisit,
    ) {
    }

    /**
     * @param list<PlannedSetup> $setups
     * @param int                $runsPerSetup at least two
     * @param int                $hotPerSetup  how many of those give a hot pull, spread over both visits
     *
     * @throws BadPlan if there are no setups, too few runs, or the pulls do not fit the runs
     */
    public static function draw(array $setups, int $runsPerSetup, int $hotPerSetup, int $seed): self
    {
        if ([] === $setups) {
            throw BadPlan::noSetups();
        }
        if ($runsPerSetup < self::VISITS) {
            throw BadPlan::tooFewRuns($runsPerSetup);
        }
        if ($hotPerSetup < 0 || $hotPerSetup > $runsPerSetup) {
            throw BadPlan::hotRuns($hotPerSetup, $runsPerSetup);
        }
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $byPlate = [];
        $pulls = [];
        foreach ($setups as $setup) {
            $byPlate[$setup->plateId][] = $setup;
            $pulls[$setup->id] = self::pulls($runsPerSetup, $hotPerSetup, $random);
        }

        $runs = [];
        $onPrinter = null;
        $changes = 0;
        for ($visit = 1; $visit <= self::VISITS; ++$visit) {
            foreach (self::plateOrder(array_map(strval(...), array_keys($byPlate)), $onPrinter, $random) as $plateId) {
                $plateChange = true;
                ++$changes;
                foreach ($random->shuffleArray($byPlate[$plateId]) as $setup) {
                    foreach ($pulls[$setup->id][$visit - 1] as $pull) {
                        $runs[] = new PlannedRun(\count($runs) + 1, $setup->id, $visit, $pull, $plateChange);
                        $plateChange = false;
                    }
                }
                $onPrinter = $plateId;
            }
        }

        return new self($runs, $changes, \count($byPlate));
    }

    /**
     * A random order of plates that does not start with the one that is on the printer, or the second visit would
     * not be one: the plate would never have come off.
     *
     * @param list<string> $plateIds
     *
     * @return list<string>
     */
    private static function plateOrder(array $plateIds, ?string $onPrinter, Randomizer $random): array
    {
        do {
            $order = array_values($random->shuffleArray($plateIds));
        } while (\count($order) > 1 && $order[0] === $onPrinter);

        return $order;
    }

    /** @return list<list<PullKind>> the pulls of each visit, hot and cold spread as evenly as the counts allow */
    private static function pulls(int $runs, int $hot, Randomizer $random): array
    {
        $visits = [];
        for ($visit = 0; $visit < self::VISITS; ++$visit) {
            $share = intdiv($runs + self::VISITS - 1 - $visit, self::VISITS);
            $hotHere = 0 === $visit
                ? min($share, max(intdiv($hot + 1, 2), $hot - intdiv($runs, 2)))
                : min($share, $hot);
            $pulls = array_merge(
                array_fill(0, $hotHere, PullKind::Hot),
                array_fill(0, $share - $hotHere, PullKind::Cold),
            );
            $visits[] = array_values($random->shuffleArray($pulls));
            $hot -= $hotHere;
        }

        return $visits;
    }
}
