<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A comparison that cannot be carried out as planned. */
final class BadPlan extends Fault
{
    public static function noSetups(): self
    {
        return new self(Sentence::of('plan.no_setups'));
    }

    public static function tooFewRuns(int $runs): self
    {
        return new self(Sentence::of('plan.too_few_runs', runs: Quantity::count($runs)));
    }

    public static function hotRuns(int $hot, int $runs): self
    {
        return new self(Sentence::of('plan.hot_runs', runs: Quantity::count($runs), hot: Quantity::count($hot)));
    }
}
