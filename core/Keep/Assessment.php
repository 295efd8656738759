<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Measure;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Whether the evidence carries a profile: the acceptance plan, the limits, no damage, and the scope that is claimed. */
final readonly class Assessment
{
    /**
     * @param list<Sentence> $missing     none if the evidence carries the profile
     * @param list<string>   $countedRuns ids of the runs that count
     * @param list<string>   $voidRuns    ids, printed beside
     */
    private function __construct(
        public array $missing,
        public int $runsNeeded,
        public int $failures,
        public array $countedRuns,
        public array $voidRuns,
        public ?ProvenRange $proven,
    ) {
    }

    /**
     * @param list<EvidenceRun> $runs all runs of the setup and fitting since its last change
     */
    public static function of(array $runs, AcceptancePlan $plan, AcceptanceLimits $limits, ScopeClaim $claim): self
    {
        $counted = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => !$run->void));
        $voids = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => $run->void));
        $record = new SetupRecord('', array_map(static fn (EvidenceRun $run): array => $run->readings, $counted));
        $failures = \count(array_filter($counted, static fn (EvidenceRun $run): bool => self::failed($run, $limits)));
        $missing = [];

        $n = \count($counted);
        if ($n < $plan->runsNeeded) {
            $missing[] = Sentence::of('keep.runs_done', done: Quantity::count($n), needed: Quantity::count($plan->runsNeeded), more: Quantity::count($plan->runsNeeded - $n));
        }
        if ($failures > $plan->failuresAllowed) {
            $missing[] = Sentence::of('keep.failed', failures: Quantity::count($failures), runs: Quantity::count($n), allowed: Quantity::count($plan->failuresAllowed));
        }
        $damaged = $record->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            $missing[] = Sentence::of('release.damaged', runs: Quantity::count($damaged));
        }
        $unsaid = \count(array_filter($counted, self::incomplete(...)));
        if ($unsaid > 0) {
            $missing[] = Sentence::of('keep.unsaid', runs: Quantity::count($unsaid));
        }
        foreach ([self::hotPull($record, $limits), self::coldPull($record, $limits)] as $sentence) {
            if (null !== $sentence) {
                $missing[] = $sentence;
            }
        }
        $proven = ProvenRange::of($counted);
        if ($claim->anyLot && ($proven->lots ?? 0) < ScopeClaim::ANY_NEEDS) {
            $missing[] = Sentence::of('keep.any_lot', needed: Quantity::count(ScopeClaim::ANY_NEEDS), lots: Quantity::count($proven->lots ?? 0));
        }
        if ($claim->anyPlate && ($proven->plates ?? 0) < ScopeClaim::ANY_NEEDS) {
            $missing[] = Sentence::of('keep.any_plate', needed: Quantity::count(ScopeClaim::ANY_NEEDS), plates: Quantity::count($proven->plates ?? 0));
        }

        return new self(
            $missing,
            $plan->runsNeeded,
            $failures,
            array_map(static fn (EvidenceRun $run): string => $run->id, $counted),
            array_map(static fn (EvidenceRun $run): string => $run->id, $voids),
            $proven,
        );
    }

    public function carried(): bool
    {
        return [] === $this->missing;
    }

    private static function failed(EvidenceRun $run, AcceptanceLimits $limits): bool
    {
        foreach ($run->readings as $reading) {
            $bad = match ($reading->measure) {
                Measure::Held => $reading->value < 0.5,
                Measure::Effort => $reading->value > $limits->effortAtMost->value,
                Measure::Damage => $reading->value > 0.5,
                default => false,
            };
            if ($bad) {
                return true;
            }
        }

        return false;
    }

    /** A part that came off in the print, or was pulled off hot, needs no word on its release. */
    private static function incomplete(EvidenceRun $run): bool
    {
        $said = [];
        foreach ($run->readings as $reading) {
            $said[$reading->measure->value] = $reading->value;
        }
        $held = $said[Measure::Held->value] ?? null;
        if (null === $held || $held < 0.5 || isset($said[Measure::PullHot->value])) {
            return null === $held;
        }

        return !isset($said[Measure::Effort->value], $said[Measure::Damage->value]);
    }

    private static function hotPull(SetupRecord $record, AcceptanceLimits $limits): ?Sentence
    {
        $summary = MeasureSummary::of($record, Measure::PullHot);
        if ($summary->nAtLeast > 0) {
            return self::lowerBounds($summary);
        }
        $mean = MeanAgainstLimit::of(new Sample($summary->exact), $limits->hotPullAtLeastN);

        return Answer::Yes === $mean->above ? null : self::notShown('keep.hot_not_shown', $limits->hotPullAtLeastN, $mean->lowerBound);
    }

    private static function coldPull(SetupRecord $record, AcceptanceLimits $limits): ?Sentence
    {
        $summary = MeasureSummary::of($record, Measure::PullCold);
        if ($summary->nAtLeast > 0) {
            return self::lowerBounds($summary);
        }
        $mean = MeanAgainstLimit::of(new Sample($summary->exact), $limits->coldPullAtMostN);

        return null !== $mean->upperBound && $mean->upperBound <= $limits->coldPullAtMostN ? null : self::notShown('keep.cold_not_shown', $limits->coldPullAtMostN, $mean->upperBound);
    }

    private static function lowerBounds(MeasureSummary $summary): Sentence
    {
        return Sentence::of('keep.lower_bounds', measure: $summary->measure->words(), reason: $summary->reason ?? Sentence::of('figure.no_spread'));
    }

    private static function notShown(string $key, float $limitN, ?float $boundN): Sentence
    {
        return Sentence::of($key, limit: Quantity::newtons($limitN), bound: null === $boundN
            ? Sentence::of('bound.two_needed')
            : Sentence::of('bound.at', confidence: Quantity::share(MeanAgainstLimit::CONFIDENCE), bound: Quantity::newtons($boundN)));
    }
}
