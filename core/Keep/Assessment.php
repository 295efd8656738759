<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Completeness;
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
        /** That the plan still wants. */
        public int $moreRuns,
        public int $failures,
        /** Runs that do not say all that counts; they do not count for the plan. */
        public int $incomplete,
        public array $countedRuns,
        public array $voidRuns,
        /** Of these, declared by whoever made them with the outcome known. */
        public int $voidsAlone,
        public ?ProvenRange $proven,
        /** When the last run that counts ended, Unix seconds. */
        public ?float $evidenceUntil,
    ) {
    }

    /**
     * @param list<EvidenceRun> $runs    all runs that speak for the setup
     * @param list<Change>      $changes to its printer: what they put in question does not count
     */
    public static function of(array $runs, AcceptancePlan $plan, AcceptanceLimits $limits, ScopeClaim $claim, array $changes = []): self
    {
        $runs = EvidenceSince::changes($runs, $changes);
        $counted = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => !$run->void));
        $voids = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => $run->void));
        $record = new SetupRecord('', array_map(static fn (EvidenceRun $run): array => $run->readings, $counted));
        $failures = \count(array_filter($counted, static fn (EvidenceRun $run): bool => self::failed($run, $limits)));
        $missing = [];

        $n = \count($counted);
        $unsaid = \count(array_filter($counted, static fn (EvidenceRun $run): bool => [] !== Completeness::lacking($run->readings)));
        $complete = $n - $unsaid;
        if ($complete < $plan->runsNeeded) {
            $missing[] = Sentence::of(
                'keep.runs_done',
                done: Quantity::count($complete),
                needed: Quantity::count($plan->runsNeeded),
                more: Quantity::count($plan->runsNeeded - $complete),
            );
            if ($unsaid > 0) {
                $missing[] = Sentence::of('keep.unsaid', runs: Quantity::count($unsaid));
            }
        }
        if ($failures > $plan->failuresAllowed) {
            $missing[] = Sentence::of(
                'keep.failed',
                failures: Quantity::count($failures),
                runs: Quantity::count($n),
                allowed: Quantity::count($plan->failuresAllowed),
            );
        }
        $damaged = $record->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            $missing[] = Sentence::of('release.damaged', runs: Quantity::count($damaged));
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
            max(0, $plan->runsNeeded - $complete),
            $failures,
            $unsaid,
            array_map(static fn (EvidenceRun $run): string => $run->id, $counted),
            array_map(static fn (EvidenceRun $run): string => $run->id, $voids),
            \count(array_filter($voids, static fn (EvidenceRun $run): bool => $run->voidAlone)),
            $proven,
            [] === $counted ? null : max(array_map(static fn (EvidenceRun $run): float => $run->endedAt, $counted)),
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

        return null !== $mean->upperBound && $mean->upperBound <= $limits->coldPullAtMostN ? null : self::notShown(
            'keep.cold_not_shown',
            $limits->coldPullAtMostN,
            $mean->upperBound,
        );
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
