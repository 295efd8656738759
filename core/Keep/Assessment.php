<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Measure;

/** Whether the evidence carries a profile: the acceptance plan, the limits, no damage, and the scope that is claimed. */
final readonly class Assessment
{
    /**
     * @param list<string> $missing     sentences; none if the evidence carries the profile
     * @param list<string> $countedRuns ids of the runs that count
     * @param list<string> $voidRuns    ids, printed beside
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
            $missing[] = \sprintf(
                '%d of %d runs are done: %d more.',
                $n,
                $plan->runsNeeded,
                $plan->runsNeeded - $n,
            );
        }
        if ($failures > $plan->failuresAllowed) {
            $missing[] = \sprintf('%d of %d runs failed; the plan allows %d.', $failures, $n, $plan->failuresAllowed);
        }
        $damaged = $record->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            $missing[] = \sprintf('The plate was damaged in %d %s.', $damaged, 1 === $damaged ? 'run' : 'runs');
        }
        $unsaid = \count(array_filter($counted, self::incomplete(...)));
        if ($unsaid > 0) {
            $missing[] = \sprintf(
                '%d %s not say whether the part held or, after cooling, how hard it was to take off and whether the plate was damaged.',
                $unsaid,
                1 === $unsaid ? 'run does' : 'runs do',
            );
        }
        foreach ([self::hotPull($record, $limits), self::coldPull($record, $limits)] as $sentence) {
            if (null !== $sentence) {
                $missing[] = $sentence;
            }
        }
        $proven = ProvenRange::of($counted);
        if ($claim->anyLot && ($proven->lots ?? 0) < ScopeClaim::ANY_NEEDS) {
            $missing[] = \sprintf('"Any lot" needs runs with at least %d lots; there are %d.', ScopeClaim::ANY_NEEDS, $proven->lots ?? 0);
        }
        if ($claim->anyPlate && ($proven->plates ?? 0) < ScopeClaim::ANY_NEEDS) {
            $missing[] = \sprintf('"Any plate of this kind" needs runs on at least %d plates; there are %d.', ScopeClaim::ANY_NEEDS, $proven->plates ?? 0);
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

    private static function hotPull(SetupRecord $record, AcceptanceLimits $limits): ?string
    {
        $summary = MeasureSummary::of($record, Measure::PullHot);
        if ($summary->nAtLeast > 0) {
            return 'Hot pull: '.$summary->reason;
        }
        $mean = MeanAgainstLimit::of(new Sample($summary->exact), $limits->hotPullAtLeastN);

        return Answer::Yes === $mean->above ? null : \sprintf(
            'The mean hot pull is not shown to clear %s N (%s).',
            number_format($limits->hotPullAtLeastN, 1, '.', ''),
            null === $mean->lowerBound ? 'two readings at least are needed' : \sprintf('95 %% bound %s N', number_format($mean->lowerBound, 1, '.', '')),
        );
    }

    private static function coldPull(SetupRecord $record, AcceptanceLimits $limits): ?string
    {
        $summary = MeasureSummary::of($record, Measure::PullCold);
        if ($summary->nAtLeast > 0) {
            return 'Cold pull: '.$summary->reason;
        }
        $mean = MeanAgainstLimit::of(new Sample($summary->exact), $limits->coldPullAtMostN);

        return null !== $mean->upperBound && $mean->upperBound <= $limits->coldPullAtMostN ? null : \sprintf(
            'The mean cold pull is not shown to stay below %s N (%s).',
            number_format($limits->coldPullAtMostN, 1, '.', ''),
            null === $mean->upperBound ? 'two readings at least are needed' : \sprintf('95 %% bound %s N', number_format($mean->upperBound, 1, '.', '')),
        );
    }
}
