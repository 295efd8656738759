<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Reasons;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;
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
        /** Runs that do not say all that counts, or leave it open: they count against it. */
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
     * @param list<EvidenceRun>        $runs    all runs that speak for the setup
     * @param ProofPlan                $proof   of the comparison that it is proposed from
     * @param list<Change>             $changes to its printer: what they put in question does not count
     * @param string                   $setupId whose pulls have to show it
     * @param array<string, ProofPlan> $others  plans of the other setups whose runs speak for it, by id
     */
    public static function of(
        array $runs,
        AcceptancePlan $plan,
        ProofPlan $proof,
        ScopeClaim $claim,
        array $changes = [],
        string $setupId = '',
        array $others = [],
    ): self {
        $runs = EvidenceSince::changes($runs, $changes);
        usort($runs, static fn (EvidenceRun $a, EvidenceRun $b): int => [$a->beganAt, $a->endedAt] <=> [$b->beganAt, $b->endedAt]);
        $counted = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => !$run->void));
        $voids = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => $run->void));
        $ends = array_map(static fn (EvidenceRun $run): RunOutcomes => RunOutcomes::of(
            $run->readings,
            $proof->limits,
            Criterion::Counts === $proof->criterion,
            $run->pull,
        ), $counted);
        $count = array_count_values(array_map(static fn (RunOutcomes $end): string => $end->worse()->value, $ends));
        [$failures, $open, $unsaid] = array_map(
            static fn (RunOutcome $outcome): int => $count[$outcome->value] ?? 0,
            [RunOutcome::Failed, RunOutcome::Open, RunOutcome::Unsaid],
        );
        $missing = [];

        $n = \count($counted);
        if ($n < $plan->runsNeeded) {
            $missing[] = Sentence::of(
                'keep.runs_done',
                done: Quantity::count($n),
                needed: Quantity::count($plan->runsNeeded),
                more: Quantity::count($plan->runsNeeded - $n),
            );
        }
        // Where no cold pulls speak for the release, it has to be seen as often as the hold.
        $released = \count(array_filter($ends, static fn (RunOutcomes $end): bool => null !== $end->release));
        if (null === $proof->pullRule(false) && $released < $plan->runsNeeded && $n >= $plan->runsNeeded) {
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
        // What does not say that it succeeded may have failed.
        if ($failures + $open + $unsaid > $plan->failuresAllowed) {
            array_push($missing, ...array_values(array_filter([
                0 === $open ? null : Sentence::of('keep.open', runs: Quantity::count($open)),
                0 === $unsaid ? null : Sentence::of('keep.unsaid', runs: Quantity::count($unsaid)),
            ])));
        }
        $damaged = (new SetupRecord('', array_map(static fn (EvidenceRun $run): array => $run->readings, $counted)))->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            $missing[] = Sentence::of('release.damaged', runs: Quantity::count($damaged));
        }
        array_push($missing, ...self::pulls($counted, $plan, $proof, $setupId, $others));
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
            max(0, $plan->runsNeeded - $n),
            $failures,
            $open + $unsaid,
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

    /**
     * The pulls at the looks that their plans froze, by the rule of the verdict: those of the setup itself have to show it, and
     * those of no other may refute it.
     *
     * @param list<EvidenceRun>        $counted
     * @param array<string, ProofPlan> $others
     *
     * @return list<Sentence> what is not shown
     */
    private static function pulls(array $counted, AcceptancePlan $plan, ProofPlan $proof, string $setupId, array $others): array
    {
        $missing = [];
        foreach ([...$others, $setupId => $proof] as $id => $of) {
            $runs = array_values(array_filter($counted, static fn (EvidenceRun $run): bool => $run->setupId === (string) $id));
            $own = (string) $id === $setupId;
            if ([] === $runs && !$own) {
                continue;
            }
            $accepting = $of->accepting($plan->reliability, $plan->confidence, $plan->failuresAllowed);
            $units = array_map(static fn (EvidenceRun $run): ?string => $run->unit, $runs);
            $judged = SetupJudgement::of(new SetupRecord(
                '',
                array_map(static fn (EvidenceRun $run): array => $run->readings, $runs),
                \in_array(null, $units, true) ? null : $units,
                pulls: array_map(static fn (EvidenceRun $run): ?PullKind => $run->pull, $runs),
            ), $accepting);
            foreach ([
                [PullKind::Hot, $judged->hold->pulls, $accepting->limits->hotPullAtLeastN],
                [PullKind::Cold, $judged->release->pulls, $accepting->limits->coldPullAtMostN],
            ] as [$kind, $pulls, $limitN]) {
                if (null !== $pulls && null !== $limitN && ($own ? Answer::Yes !== $pulls->clears : Answer::No === $pulls->clears)) {
                    $missing[] = self::notShown($kind, $pulls, $limitN, $accepting, $own);
                }
            }
        }

        return $missing;
    }

    private static function notShown(PullKind $kind, ValueAgainstLimit $pulls, float $limitN, ProofPlan $plan, bool $own): Sentence
    {
        if (!$own) {
            return Sentence::of('keep.'.$kind->value.'_refuted', limit: Quantity::newtons($limitN));
        }

        return Sentence::of(
            'keep.'.$kind->value.'_not_shown',
            limit: Quantity::newtons($limitN),
            why: $pulls->uneven
                ? Sentence::of('keep.pulls_uneven')
                : Reasons::pulls($kind, $pulls, $plan, $limitN)[0],
        );
    }
}
