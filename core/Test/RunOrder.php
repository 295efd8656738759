<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The order of the runs of a comparison: seeded and random, grouped so that plates change little, yet every setup is
 * visited twice at least with the plate taken off in between. Without a second visit there is no error term between
 * visits and no test, only a description. Every second visit runs the order of the one before backwards (AB BA), so that
 * what drifts over the day does not favour whoever comes first (counterbalanced blocks, common practice in the design
 * of experiments).
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
     * @param int                $hotPerSetup  how many of those give a hot pull, spread over the visits
     * @param int                $visits       at least two
     * @param bool               $spread       the parts of each setup stand on all spots of the plate equally often
     *
     * @throws BadPlan if there are no setups, too few runs, or pulls or visits do not fit the runs
     */
    public static function draw(array $setups, int $runsPerSetup, int $hotPerSetup, int $seed, int $visits = self::VISITS, bool $spread = false): self
    {
        if ([] === $setups) {
            throw BadPlan::noSetups();
        }
        if ($runsPerSetup < self::VISITS) {
            throw BadPlan::tooFewRuns($runsPerSetup);
        }
        if ($visits < self::VISITS || $visits > $runsPerSetup) {
            throw BadPlan::visits($visits, $runsPerSetup);
        }
        if ($hotPerSetup < 0 || $hotPerSetup > $runsPerSetup) {
            throw BadPlan::hotRuns($hotPerSetup, $runsPerSetup);
        }
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $byPlate = [];
        $pulls = [];
        foreach ($setups as $setup) {
            $byPlate[$setup->plateId][] = $setup;
            $pulls[$setup->id] = self::pulls($runsPerSetup, $hotPerSetup, $visits, $random);
        }

        $runs = [];
        $changes = 0;
        $order = [];
        for ($visit = 1; $visit <= $visits; ++$visit) {
            $order = 1 === $visit % 2 ? self::shuffled($byPlate, $random) : array_map(array_reverse(...), array_reverse($order));
            foreach ($order as $setupsOfPlate) {
                // Also where the plate is the one that is on: it comes off and goes on again, or it would be no second visit.
                $plateChange = true;
                ++$changes;
                foreach ($setupsOfPlate as $setup) {
                    foreach ($pulls[$setup->id][$visit - 1] as $pull) {
                        $runs[] = new PlannedRun(\count($runs) + 1, $setup->id, $visit, $pull, $plateChange);
                        $plateChange = false;
                    }
                }
            }
        }

        return new self($spread ? self::spread($runs, $runsPerSetup, $random) : $runs, $changes, \count($byPlate));
    }

    /**
     * @param list<PlannedRun> $runs
     *
     * @return list<PlannedRun>
     */
    private static function spread(array $runs, int $runsPerSetup, Randomizer $random): array
    {
        $spots = [];

        return array_map(static function (PlannedRun $run) use (&$spots, $runsPerSetup, $random): PlannedRun {
            $spots[$run->setupId] ??= PlateSpot::inTurn($runsPerSetup, $random);

            return new PlannedRun($run->position, $run->setupId, $run->visit, $run->pull, $run->plateChange, array_shift($spots[$run->setupId]));
        }, $runs);
    }

    /**
     * @param array<string, list<PlannedSetup>> $byPlate
     *
     * @return list<list<PlannedSetup>> plate by plate
     */
    private static function shuffled(array $byPlate, Randomizer $random): array
    {
        return array_map(
            static fn (array $setups): array => array_values($random->shuffleArray($setups)),
            array_values($random->shuffleArray(array_values($byPlate))),
        );
    }

    /** @return list<list<PullKind>> the pulls of each visit, hot and cold spread as evenly as the counts allow */
    private static function pulls(int $runs, int $hot, int $visits, Randomizer $random): array
    {
        $spread = [];
        for ($left = $visits; $left > 0; --$left) {
            $share = (int) ceil($runs / $left);
            // As many hot ones as are due, yet no more than fit, and no fewer than the later visits cannot take.
            $hotHere = min($share, max((int) ceil($hot / $left), $hot - ($runs - $share)));
            $pulls = array_merge(array_fill(0, $hotHere, PullKind::Hot), array_fill(0, $share - $hotHere, PullKind::Cold));
            $spread[] = array_values($random->shuffleArray($pulls));
            $runs -= $share;
            $hot -= $hotHere;
        }

        return $spread;
    }
}
