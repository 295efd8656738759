<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Judge\Internal\Future;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;

/** How likely further runs of a setup are to settle its verdict, and how many it takes. */
final readonly class Outlook
{
    /** A new plan is offered with the fewest runs that settle it this likely. */
    private const GOOD_CHANCE = 0.8;
    /** Below it, more runs are not worth their time. */
    private const POOR_CHANCE = 0.5;
    private const STEP = 0.05;
    private const NEW_PLANS = [4, 6, 8, 12, 16, 20, 30, 40, 60];

    private function __construct(
        /** Of this setup. */
        public int $runs,
        public float $chance,
        /** Runs that it is expected to take. */
        public float $expectedRuns,
    ) {
    }

    /** By the runs that the plan still has; null: settled, used up, or too little is known to say. */
    public static function inPlan(SetupRecord $record, ProofPlan $plan, SetupJudgement $judgement): ?self
    {
        if (null === $judgement->runsLeft) {
            return null;
        }
        $hold = self::question($record, $plan, $judgement->hold, true);
        $release = self::question($record, $plan, $judgement->release, false);

        return null === $hold || null === $release ? null : self::both($judgement->runsLeft, $hold, $release, self::ofOtherRuns($record, $plan));
    }

    /**
     * By a new plan of the same kind, which judges its own runs only; the fewest that settle it likely, else the most.
     *
     * @return self|null null: too little is known, or no number of runs is likely to settle it
     */
    public static function inNewPlan(SetupRecord $record, ProofPlan $plan): ?self
    {
        foreach (self::NEW_PLANS as $runs) {
            $new = self::ofSize($plan, $runs);
            $hold = self::afresh($record, $new, true);
            $release = self::afresh($record, $new, false);
            if (null === $hold || null === $release) {
                return null;
            }
            $outlook = self::both($new->runs, $hold, $release, self::ofOtherRuns($record, $new));
            if ($outlook->chance >= self::GOOD_CHANCE) {
                return $outlook;
            }
        }

        return $outlook->chance >= self::POOR_CHANCE ? $outlook : null;
    }

    private static function both(int $runs, Future $hold, Future $release, bool $ofOtherRuns): self
    {
        // A setup that does not hold needs no word on its release.
        $chance = $hold->no + $hold->yes * ($release->yes + $release->no);

        return new self($runs, self::rounded($chance), $ofOtherRuns ? $hold->runs + $release->runs : max($hold->runs, $release->runs));
    }

    /** Whether what it takes to answer the one question is no help with the other: pulls hot and cold are of different runs. */
    private static function ofOtherRuns(SetupRecord $record, ProofPlan $plan): bool
    {
        return !$record->takenHot && !$plan->byVisit && null !== $plan->pullRule(true);
    }

    /** Drawn a few hundred times, it is known to about five in a hundred; nothing that is open is certain. */
    private static function rounded(float $chance): float
    {
        return max(self::STEP, min(1 - self::STEP, round($chance / self::STEP) * self::STEP));
    }

    private static function question(SetupRecord $record, ProofPlan $plan, Finding $finding, bool $hold): ?Future
    {
        return Answer::NotYet !== $finding->answer
            ? Future::known(Answer::Yes === $finding->answer)
            : self::ahead($record, $plan, $hold, null !== $finding->pulls && Answer::NotYet === $finding->pulls->clears, false);
    }

    private static function afresh(SetupRecord $record, ProofPlan $plan, bool $hold): ?Future
    {
        return self::ahead($record, $plan, $hold, null !== $plan->pullRule($hold) && !($hold && $record->takenHot), true);
    }

    private static function ahead(SetupRecord $record, ProofPlan $plan, bool $hold, bool $byPulls, bool $afresh): ?Future
    {
        $rule = $byPulls ? $plan->pullRule($hold) : null;
        $measure = $hold ? Measure::PullHot : $record->releasePull();
        $limit = (float) ($hold ? $plan->limits->hotPullAtLeastN : $plan->limits->coldPullAtMostN);
        $most = $plan->most($plan->planned($hold, null !== $rule));
        if (null !== $rule && !$rule->counts()) {
            $values = $record->values($measure);
            $kept = $afresh ? [] : \array_slice($values, 0, $most);

            return Future::ofPulls(
                $values,
                $kept,
                $most - \count($kept),
                PullRule::MiddleOfLogs === $rule,
                static fn (array $path): ValueAgainstLimit => ValueAgainstLimit::ofPlan($path, $limit, $hold, $rule, $plan),
            );
        }
        $outcomes = match (true) {
            null !== $rule => $record->pullOutcomes($measure, $limit, $hold),
            $hold => $record->holdOutcomes($plan->limits, null === $plan->pullRule(true) || $record->takenHot),
            default => $record->releaseOutcomes($plan->limits, null === $plan->pullRule(false)),
        };
        $kept = $afresh ? [] : \array_slice($outcomes, 0, $most);

        return [] === $outcomes
            ? null
            : Future::ofShare($outcomes, $kept, $most - \count($kept), static fn (array $path) => ShareAgainstRequired::ofPlan($path, $plan, $hold, $rule));
    }

    /** The plan with so many runs at one look (looked at after each it is as likely to be settled), hot and cold in the same parts. */
    private static function ofSize(ProofPlan $plan, int $runs): ProofPlan
    {
        $hot = max(0, $plan->hotRuns);
        $cold = max(0, $plan->coldRuns);
        $both = max(1, $plan->runs);

        return $plan->atOneLook($runs, (int) ceil($hot * $runs / $both), (int) ceil($cold * $runs / $both));
    }
}
