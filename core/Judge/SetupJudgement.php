<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The verdict on one setup. Held-or-not and the hot pull decide whether it holds; cold pull, effort and damage decide
 * whether it lets go. A missing measure leaves the answer open. More force never wins by itself.
 */
final readonly class SetupJudgement
{
    private function __construct(
        public string $setup,
        public Verdict $verdict,
        public Finding $hold,
        public Finding $release,
        public HeldRate $held,
        /** Further runs of this setup that would settle the verdict; null if settled or not to be settled by runs. */
        public ?int $moreRuns,
    ) {
    }

    public static function of(SetupRecord $record, Limits $limits): self
    {
        $held = HeldRate::of($record);
        $hold = self::hold($record, $held, $limits);
        $release = self::release($record, $limits);
        $verdict = Verdict::combining($hold->answer, $release->answer);
        $more = null;
        if (Verdict::NotYetKnown === $verdict) {
            // A part gives one pull, hot or cold, so what the two questions still need adds up.
            $pulls = 0;
            foreach ([$hold, $release] as $finding) {
                if (Answer::NotYet === $finding->answer) {
                    $pulls = null === $pulls || null === $finding->morePulls ? null : $pulls + $finding->morePulls;
                }
            }
            $more = null === $pulls ? null : max(1, $pulls, $limits->runsPlanned - $held->runs);
        }

        return new self($record->name, $verdict, $hold, $release, $held, $more);
    }

    public function words(): Sentence
    {
        return match (true) {
            Verdict::NotYetKnown !== $this->verdict => $this->verdict->words(),
            null === $this->moreRuns => Sentence::of('verdict.runs_will_not_settle'),
            default => Sentence::of('verdict.more_runs', runs: Quantity::count($this->moreRuns)),
        };
    }

    private static function hold(SetupRecord $record, HeldRate $held, Limits $limits): Finding
    {
        $failures = $held->runs - $held->held;
        $counted = Sentence::of('hold.counted', held: Quantity::count($held->held), runs: Quantity::count($held->runs));
        if ($failures > $limits->failuresAllowed) {
            return new Finding(Answer::No, [
                Sentence::of(
                    'hold.failed',
                    failures: Quantity::count($failures),
                    runs: Quantity::count($held->runs),
                    allowed: Quantity::count($limits->failuresAllowed),
                ),
            ]);
        }
        if (0 === $held->runs) {
            return new Finding(Answer::NotYet, [Sentence::of('hold.nobody_said')]);
        }
        $summary = MeasureSummary::of($record, Measure::PullHot);
        if ($summary->nAtLeast > 0 && null !== $summary->reason) {
            return new Finding(Answer::NotYet, [Sentence::of('hold.lower_bounds', reason: $summary->reason), $counted], null);
        }
        $pull = MeanAgainstLimit::of(new Sample($summary->exact), $limits->hotPullAtLeastN);
        $sentence = self::bound(Measure::PullHot, $pull, $limits->hotPullAtLeastN, $summary->n);
        if (Answer::No === $pull->above) {
            return new Finding(Answer::No, [$sentence, $counted]);
        }
        if (Answer::NotYet === $pull->above) {
            return new Finding(Answer::NotYet, [$sentence, $counted], $pull->moreReadings);
        }
        if ($held->runs < $limits->runsPlanned) {
            return new Finding(Answer::NotYet, [
                Sentence::of('hold.planned', done: Quantity::count($held->runs), planned: Quantity::count($limits->runsPlanned)),
                $sentence,
            ]);
        }

        return new Finding(Answer::Yes, [$sentence, $counted]);
    }

    private static function release(SetupRecord $record, Limits $limits): Finding
    {
        $hard = $record->count(Measure::Effort, $limits->effortAtMost->value);
        $damaged = $record->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            return new Finding(Answer::No, [Sentence::of('release.damaged', runs: Quantity::count($damaged))]);
        }
        if ($hard > $limits->failuresAllowed) {
            return new Finding(Answer::No, [Sentence::of(
                'release.too_hard',
                parts: Quantity::count($hard),
                effort: $limits->effortAtMost->words(),
                allowed: Quantity::count($limits->failuresAllowed),
            )]);
        }
        $summary = MeasureSummary::of($record, Measure::PullCold);
        $above = \count(array_filter($summary->atLeast, static fn (float $n): bool => $n > $limits->coldPullAtMostN));
        if ($summary->nAtLeast > 0 && null !== $summary->reason) {
            return new Finding(Answer::NotYet, [Sentence::of(
                'release.lower_bounds',
                reason: $summary->reason,
                above: Quantity::count($above),
                limit: Quantity::newtons($limits->coldPullAtMostN),
            )], null);
        }
        $pull = MeanAgainstLimit::of(new Sample($summary->exact), $limits->coldPullAtMostN);
        // "Above the limit" is the bad side here: the bound has to stay at or below it.
        $clear = null !== $pull->upperBound && $pull->upperBound <= $limits->coldPullAtMostN;
        $sentence = self::bound(Measure::PullCold, $pull, $limits->coldPullAtMostN, $summary->n);
        if (!$clear && Answer::Yes === $pull->above) {
            return new Finding(Answer::No, [$sentence]);
        }
        if (!$clear) {
            return new Finding(Answer::NotYet, [$sentence], $pull->moreReadings);
        }
        // Of a run that does not say how the part came off, nothing is known: it does not count for the plan.
        $said = $unsaid = 0;
        foreach ($record->runs as $run) {
            $lacking = Completeness::lacking($run);
            $cold = [] !== array_filter($run, static fn (Reading $reading): bool => Measure::PullCold === $reading->measure);
            $said += $cold && [] === $lacking ? 1 : 0;
            $unsaid += \in_array(Measure::Effort, $lacking, true) || \in_array(Measure::Damage, $lacking, true) ? 1 : 0;
        }
        $short = $limits->coldRunsPlanned - $said;
        if ($short > 0) {
            return new Finding(Answer::NotYet, [
                $unsaid > 0
                    ? Sentence::of(
                        'release.unsaid',
                        runs: Quantity::count($unsaid),
                        said: Quantity::count($said),
                        planned: Quantity::count($limits->coldRunsPlanned),
                    )
                    : Sentence::of('release.planned', done: Quantity::count($said), planned: Quantity::count($limits->coldRunsPlanned)),
                $sentence,
            ], $short);
        }

        return new Finding(Answer::Yes, [$sentence, Sentence::of('release.clean', harder: Quantity::count($hard), effort: $limits->effortAtMost->words())]);
    }

    private static function bound(Measure $measure, MeanAgainstLimit $mean, float $limitN, int $n): Sentence
    {
        if (null === $mean->lowerBound || null === $mean->upperBound) {
            return Sentence::of(0 === $n ? 'bound.none' : 'bound.one', measure: $measure->words());
        }

        return Sentence::of(
            'bound.mean',
            measure: $measure->words(),
            low: Quantity::newtons($mean->lowerBound),
            high: Quantity::newtons($mean->upperBound),
            confidence: Quantity::share(MeanAgainstLimit::CONFIDENCE),
            n: Quantity::count($n),
            limit: Quantity::newtons($limitN),
        );
    }
}
