<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A comparison that cannot be carried out as planned. */
final class BadPlan extends Fault
{
    private function __construct(Sentence $sentence, public readonly string $field = 'runsPerSetup')
    {
        parent::__construct($sentence);
    }

    /** @param string $field of the limit, as the plan names it */
    public static function noLimit(string $field): self
    {
        return new self(Sentence::of('plan.no_limit'), $field);
    }

    public static function noPullsToJudgeBy(): self
    {
        return new self(Sentence::of('plan.no_pulls_to_judge_by'), 'proof.criterion');
    }

    public static function nearlyAllByVisit(): self
    {
        return new self(Sentence::of('plan.nearly_all_by_visit'), 'proof.criterion');
    }

    public static function noPullsToTake(int $hot): self
    {
        return new self(Sentence::of('plan.no_pulls_to_take', hot: Quantity::count($hot)), 'hotPerSetup');
    }

    public static function noSetups(): self
    {
        return new self(Sentence::of('plan.no_setups'), 'setups');
    }

    public static function inTurnAtOneLook(): self
    {
        return new self(Sentence::of('plan.in_turn_at_one_look'), 'proof.design');
    }

    public static function tooManySetups(int $setups, int $most): self
    {
        return new self(Sentence::of('plan.too_many_setups', setups: Quantity::count($setups), most: Quantity::count($most)), 'combine');
    }

    public static function tooFewRuns(int $runs): self
    {
        return new self(Sentence::of('plan.too_few_runs', runs: Quantity::count($runs)));
    }

    public static function visits(int $visits, int $runs): self
    {
        return new self(Sentence::of('plan.visits', visits: Quantity::count($visits), runs: Quantity::count($runs)), 'proof.visits');
    }

    public static function hotRuns(int $hot, int $runs): self
    {
        return new self(Sentence::of('plan.hot_runs', runs: Quantity::count($runs), hot: Quantity::count($hot)), 'hotPerSetup');
    }
}
