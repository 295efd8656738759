<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\ComparisonState;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\PlannedRun;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Question\PlanQuestions;
use Symfony\Component\Uid\Uuid;

/** Reads the state of a comparison for the core, and writes down the runs that it plans. */
final readonly class ComparisonBook
{
    public function __construct(
        private EntityManagerInterface $entities,
        private RunRepository $runs,
        private PlanQuestions $questions,
        private SetupRisks $risks,
    ) {
    }

    public function state(Comparison $comparison): ComparisonState
    {
        $new = [];
        foreach ($comparison->setups as $setup) {
            if ($setup->fitting !== $setup->side->current()) {
                $new[] = $setup->side->label();
            }
        }

        return new ComparisonState(
            $comparison->status,
            self::setups($comparison),
            $comparison->runsPerSetup,
            $comparison->hotPerSetup,
            $comparison->seed,
            $new,
            $this->runs->lastPosition($comparison),
            $this->runs->countDone($comparison),
            $comparison->design(),
            $comparison->proof['visits'],
            $this->runs->lastVisit($comparison),
            $this->questions->inTurn($comparison->kind),
            $comparison->spread(),
            ComparisonStatus::Draft === $comparison->status ? $this->risks->notTaken($comparison) : [],
        );
    }

    /** @return list<PlannedSetup> */
    public static function setups(Comparison $comparison): array
    {
        return array_values($comparison->setups->map(
            static fn (Setup $setup): PlannedSetup => new PlannedSetup($setup->id->toRfc4122(), $setup->side->id->toRfc4122()),
        )->toArray());
    }

    /**
     * @param list<PlannedRun> $planned
     *
     * @return list<Run>
     */
    public function plan(Comparison $comparison, array $planned, \DateTimeImmutable $at): array
    {
        $setups = [];
        foreach ($comparison->setups as $setup) {
            $setups[$setup->id->toRfc4122()] = $setup;
        }
        $runs = [];
        foreach ($planned as $each) {
            $runs[] = $run = new Run(
                Uuid::v7(),
                $at,
                $comparison,
                $setups[$each->setupId],
                $each->position,
                $each->visit,
                // How a setup is taken off is part of the setup.
                $setups[$each->setupId]->takenHot ? PullKind::Hot : $each->pull,
                $each->plateChange,
                $comparison->roomC,
                $each->spot,
            );
            $this->entities->persist($run);
        }

        return $runs;
    }
}
