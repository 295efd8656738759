<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\PlannedRun;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The life of a comparison: planned, started (and then its plan is fixed), extended, closed with a verdict, and opened
 * again by more runs. Each command gives the runs to plan, or refuses.
 */
final class ComparisonLife
{
    /** At once; who wants more asks again. */
    public const MOST_RUNS_ADDED = 60;
    /** Readings of a kind before anybody looks. */
    private const FIRST_LOOK = 3;

    /** @throws Refusal if the plan is fixed already */
    public static function replan(ComparisonStatus $status): void
    {
        if (ComparisonStatus::Draft !== $status) {
            throw Refusal::state(Sentence::of('comparison.plan_fixed'));
        }
    }

    /**
     * @return list<PlannedRun>
     *
     * @throws Refusal if it was started already, a side has another surface than was planned, or a lead's word is missing
     * @throws BadPlan if the plan cannot be carried out
     */
    public static function start(ComparisonState $comparison): array
    {
        if (ComparisonStatus::Draft !== $comparison->status) {
            throw Refusal::state(Sentence::of('comparison.started_already'));
        }
        foreach ($comparison->sidesWithNewSurface as $side) {
            throw Refusal::entry('setups', Sentence::of('comparison.new_surface', side: $side));
        }
        foreach ($comparison->risksNotTaken as $setup) {
            throw Refusal::entry('setups', Sentence::of('comparison.risk_not_taken', setup: $setup));
        }

        return self::order(
            $comparison->setups,
            $comparison->runsPerSetup,
            $comparison->hotPerSetup,
            $comparison->seed,
            $comparison->design,
            $comparison->visits,
            $comparison->inTurn,
            $comparison->spread,
        )->runs;
    }

    /**
     * The order in which the runs of a plan are made; of an adaptive one those it begins with, and of rungs that are tried in
     * turn those of the first.
     *
     * @param list<PlannedSetup> $setups
     *
     * @throws BadPlan if the plan cannot be carried out
     */
    public static function order(
        array $setups,
        int $runsPerSetup,
        int $hotPerSetup,
        int $seed,
        Design $design,
        int $visits,
        bool $inTurn = false,
        bool $spread = false,
    ): RunOrder {
        if ($inTurn && Design::Fixed === $design) {
            throw BadPlan::inTurnAtOneLook();
        }
        $order = RunOrder::draw($setups, $runsPerSetup, $hotPerSetup, $seed, $visits, $spread);
        if (Design::Fixed === $design) {
            return $order;
        }
        [$runs, $hot] = self::firstRuns($runsPerSetup, $hotPerSetup);

        return RunOrder::draw($inTurn ? \array_slice($setups, 0, 1) : $setups, $runs, $hot, $seed, min($visits, $runs), $spread);
    }

    /**
     * What an adaptive plan begins with: enough of each pull for its first look; every further run is chosen.
     *
     * @return array{int, int} runs of each setup, and how many of them hot
     */
    public static function firstRuns(int $runsPerSetup, int $hotPerSetup): array
    {
        $hot = min($hotPerSetup, self::FIRST_LOOK);

        return [$hot + min($runsPerSetup - $hotPerSetup, self::FIRST_LOOK), $hot];
    }

    /**
     * @param PullKind|null $pull null: hot and cold in turn
     *
     * @return list<PlannedRun>
     *
     * @throws Refusal if it is not started, or there is no such setup
     */
    public static function addRuns(ComparisonState $comparison, string $setupId, int $count, ?PullKind $pull): array
    {
        if (ComparisonStatus::Draft === $comparison->status) {
            throw Refusal::state(Sentence::of('comparison.not_started'));
        }
        $known = array_filter($comparison->setups, static fn ($setup): bool => $setup->id === $setupId);
        if ([] === $known) {
            throw Refusal::entry('setupId', Sentence::of('comparison.no_such_setup'));
        }
        if ($count < 1 || $count > self::MOST_RUNS_ADDED) {
            throw Refusal::entry('count', Sentence::of('comparison.too_many_runs', most: Quantity::count(self::MOST_RUNS_ADDED)));
        }
        $runs = [];
        for ($i = 0; $i < $count; ++$i) {
            $runs[] = new PlannedRun(
                $comparison->lastPosition + 1 + $i,
                $setupId,
                $comparison->lastVisit + 1,
                $pull ?? (0 === $i % 2 && $comparison->hotPerSetup > 0 ? PullKind::Hot : PullKind::Cold),
                0 === $i,
                // As many as are added go on where the order of the spots is.
                $comparison->spread ? PlateSpot::cases()[($comparison->lastPosition + $i) % \count(PlateSpot::cases())] : null,
            );
        }

        return $runs;
    }

    /**
     * A lead lets a setup be tried that practice rules out.
     *
     * @param list<string> $wanted what has to be ready for it; none: practice has nothing against it
     * @param list<string> $ready
     *
     * @throws Refusal if the plan is fixed already, it is no lead who says it, there is nothing to take on, or something is not ready
     */
    public static function takeRisk(ComparisonStatus $status, bool $byLead, array $wanted, array $ready): void
    {
        self::replan($status);
        if (!$byLead) {
            throw Refusal::person(Sentence::of('comparison.risk_of_lead'));
        }
        if ([] === $wanted) {
            throw Refusal::state(Sentence::of('comparison.no_risk'));
        }
        if ([] !== array_diff($wanted, $ready)) {
            throw Refusal::entry('precautions', Sentence::of('comparison.not_ready'));
        }
    }

    /** @throws Refusal unless it is running: readings belong to its planned runs */
    public static function takeTable(ComparisonStatus $status): void
    {
        if (ComparisonStatus::Running !== $status) {
            throw Refusal::state(Sentence::of('comparison.start_first'));
        }
    }

    /** @throws Refusal unless it is running and something is done */
    public static function close(ComparisonState $comparison): void
    {
        if (ComparisonStatus::Running !== $comparison->status) {
            throw Refusal::state(Sentence::of('comparison.close_only_running'));
        }
        if (0 === $comparison->runsDone) {
            throw Refusal::state(Sentence::of('comparison.nothing_done'));
        }
    }
}
