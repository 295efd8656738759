<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
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
     * @param list<EvidenceRun> $runs      all runs that speak for the setup
     * @param Criterion         $criterion by which the pulls decide, where they have limits
     * @param list<Change>      $changes   to its printer: what they put in question does not count
     */
    public static function of(
        array $runs,
        AcceptancePlan $plan,
        Limits $limits,
        Criterion $criterion,
        ScopeClaim $claim,
        array $changes = [],
    ): self {
        $runs = EvidenceSince::changes($runs, $changes);
        $counted = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => !$run->void));
        $voids = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => $run->void));
        $record = new SetupRecord('', array_map(static fn (EvidenceRun $run): array => $run->readings, $counted));
        $failures = \count(array_filter($counted, static fn (EvidenceRun $run): bool => self::failed($run, $limits, $criterion)));
        $missing = [];

        $n = \count($counted);
        $unsaid = \count(array_filter($counted, static fn (EvidenceRun $run): bool => self::incomplete($run, $limits)));
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
        // Where no mean of cold pulls speaks for the release, it has to be seen as often as the hold.
        $released = \count($record->releaseOutcomes($limits, false));
        if ((Criterion::Counts === $criterion || null === $limits->coldPullAtMostN) && $released < $plan->runsNeeded && $complete >= $plan->runsNeeded) {
            $missing[] = Sentence::of('keep.released', done: Quantity::count($released), needed: Quantity::count($plan->runsNeeded));
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
        if (Criterion::Counts !== $criterion) {
            array_push(
                $missing,
                ...self::pulls($record, PullKind::Hot, $limits->hotPullAtLeastN, $criterion),
                ...self::pulls($record, PullKind::Cold, $limits->coldPullAtMostN, $criterion),
            );
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

    private static function failed(EvidenceRun $run, Limits $limits, Criterion $criterion): bool
    {
        $record = new SetupRecord('', [$run->readings]);
        $pulls = Criterion::Counts === $criterion;

        // A lift that nobody measured leaves the run incomplete, not failed.
        return [false] === $record->holdOutcomes($limits, $pulls) || [false] === $record->releaseOutcomes($limits, $pulls);
    }

    private static function incomplete(EvidenceRun $run, Limits $limits): bool
    {
        return [] !== Completeness::lacking($run->readings) || [] === (new SetupRecord('', [$run->readings]))->holdOutcomes($limits, false);
    }

    /**
     * The pulls by one look at all that there are.
     *
     * @return list<Sentence> what is not shown
     */
    private static function pulls(SetupRecord $record, PullKind $kind, ?float $limitN, Criterion $criterion): array
    {
        if (null === $limitN) {
            return [];
        }
        $values = $record->values($kind->measure());
        $n = \count($values);
        $hot = PullKind::Hot === $kind;
        $pulls = ValueAgainstLimit::of($values, $limitN, $hot, $criterion, Design::Fixed, $n, $n);
        if (Answer::Yes === $pulls->clears) {
            return [];
        }
        $limit = Quantity::newtons($limitN);
        $bound = $hot ? $pulls->lower : $pulls->upper;

        return [match (true) {
            $pulls->uneven => Sentence::of('keep.pulls_uneven', measure: $kind->measure()->words(), limit: $limit),
            null === $bound => Sentence::of('keep.'.$kind->value.'_no_bound', limit: $limit, n: Quantity::count($n)),
            default => Sentence::of(
                'keep.'.$kind->value.'_not_shown',
                limit: $limit,
                bound: Quantity::newtons($bound),
                confidence: Quantity::share(1 - ProofPlan::ERROR),
            ),
        }];
    }
}
