<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\Binomial;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * How many runs show a stated reliability with a stated confidence: the success-run theorem without failures, and its
 * binomial extension with one: the smallest n with Σ_{i≤c} C(n,i)(1−R)^i R^(n−i) ≤ 1−C.
 */
final readonly class AcceptancePlan
{
    public int $runsNeeded;

    /**
     * @param float $reliability     share of runs that have to succeed, between 0 and 1
     * @param int   $failuresAllowed 0 or 1
     *
     * @throws InvalidArgument if a share is not strictly between 0 and 1, or more than one failure is allowed
     */
    public function __construct(
        public float $reliability,
        public float $confidence,
        public int $failuresAllowed,
    ) {
        foreach ([$reliability, $confidence] as $share) {
            ($share > 0 && $share < 1) || throw InvalidArgument::probability($share);
        }
        if ($failuresAllowed < 0 || $failuresAllowed > 1) {
            throw InvalidArgument::counts($failuresAllowed, 1);
        }
        // The tiny allowance keeps an exact tie such as 0.5³ = 0.125 from costing a run through rounding.
        $allowed = (1 - $confidence) * (1 + 1e-12);
        for ($n = $failuresAllowed + 1; (new Binomial($n, 1 - $reliability))->cdf($failuresAllowed) > $allowed; ++$n) {
        }
        $this->runsNeeded = $n;
    }

    /** What a profile of this plan is worth, in words: below the confidence of a verdict it is accepted, and never "holds". */
    public function words(): Sentence
    {
        return self::inWords($this->reliability, $this->confidence, Criterion::Counts, 0);
    }

    /**
     * Where pulls decided, runs that were pulled hot say nothing of the release, which then rests on the cold pulls.
     *
     * @param Criterion|null $criterion null: of before it was named, and then it was the mean
     */
    public static function inWords(float $reliability, float $confidence, ?Criterion $criterion, int $coldPulls): Sentence
    {
        $byPulls = $coldPulls > 0 && Criterion::Counts !== $criterion;
        $what = $confidence >= 1 - ProofPlan::ERROR - 1e-9 ? 'holds' : 'accepted';

        return Sentence::of(
            'keep.'.$what.($byPulls ? '_pulls' : ''),
            confidence: Quantity::share($confidence),
            reliability: Quantity::share($reliability),
            proof: Quantity::share(1 - ProofPlan::ERROR),
        );
    }

    /** What a profile says of itself that nobody has signed yet: what it is to show. */
    public function asked(): Sentence
    {
        return Sentence::of('keep.asked', confidence: Quantity::share($this->confidence), reliability: Quantity::share($this->reliability));
    }

    /** What one says that is tried although its evidence does not carry it: what was shown, and why it is tried. */
    public static function onTrial(int $runs, int $failures, string $reason): Sentence
    {
        return Sentence::of('keep.trial', runs: Quantity::count($runs), failures: Quantity::count($failures), reason: new OwnText($reason));
    }

    /** @return list<self> those in common use, the least demanding first */
    public static function usual(): array
    {
        return [new self(0.8, 0.9, 0), new self(0.9, 0.9, 0), new self(0.9, 0.95, 0), new self(0.95, 0.95, 0)];
    }
}
