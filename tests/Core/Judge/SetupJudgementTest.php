<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Outlook;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\Verdict;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Tests\Core\Words\Said;

/** Verdicts in the situations of a bench; the rule is the project's own, the bounds are R's. */
final class SetupJudgementTest extends TestCase
{
    private const HOT = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];
    private const COLD = [4.1, 5.2, 3.0, 6.4, 4.6, 5.0];

    public function testItHoldsAndLetsGo(): void
    {
        $judgement = self::judge(self::HOT, self::COLD);
        self::assertSame(Verdict::HoldsAndLetsGo, $judgement->verdict);
        self::assertSame('verdict.holds_and_lets_go', Said::of($judgement->words()));
        self::assertNull($judgement->runsLeft);
        // R: the least of Student's, Johnson's and Hall's bounds (AgainstLimitTest), below and, mirrored, above.
        self::assertMatchesRegularExpression('/low=28\.496\d* high=33\.121\d*/', Said::of($judgement->hold->reasons[0]));
        self::assertContains('pulls.yes_unseen_hot n=6 from=24', Said::all($judgement->hold->reasons), 'So few pulls would not show a weak one in seven.');
    }

    public function testMoreForceNeverWinsByItself(): void
    {
        $judgement = self::judge([43.1, 47.5, 39.8, 45.2, 41.7, 48.9], [13.2, 18.9, 15.4, 17.1, 14.8, 19.5]);
        self::assertSame(Verdict::HoldsWillNotLetGo, $judgement->verdict);
        self::assertSame(Answer::Yes, $judgement->hold->answer);
    }

    public function testAPartThatCameOffSpoilsThePlanAndRefutesOnlyWhereTheShareIsRefuted(): void
    {
        $judgement = self::judge([60.0, 61.0, 59.0, 60.5, 60.2], self::COLD, cameOff: 1);
        self::assertSame(Verdict::NotYetKnown, $judgement->verdict, 'Eleven of twelve held: that is no proof that it does not hold.');
        self::assertSame([11, 12], [$judgement->held->held, $judgement->held->runs]);
        self::assertSame('hold.spoiled bad=1 runs=12 allowed=0', Said::of($judgement->hold->reasons[0]));
        self::assertSame('verdict.not_in_this_plan', Said::of($judgement->words()));
        $refuted = self::judge([60.0, 61.0, 59.0, 60.5, 60.2], self::COLD, cameOff: 7);
        self::assertSame(Verdict::DoesNotHold, $refuted->verdict);
        self::assertStringStartsWith('hold.no ', Said::of($refuted->hold->reasons[0]));
        $allowed = self::judge([60.0, 61.0, 59.0, 60.5, 60.2, 60.8], self::COLD, cameOff: 1, failuresAllowed: 1);
        self::assertSame(Verdict::HoldsAndLetsGo, $allowed->verdict);
    }

    public function testEffortsAreCounted(): void
    {
        $effort = static fn (Effort $effort): array => [new Reading(Measure::Held, 1), new Reading(Measure::Effort, $effort->value)];
        $record = new SetupRecord('A', [$effort(Effort::Finger), $effort(Effort::Scraper), $effort(Effort::Finger), [new Reading(Measure::Held, 0)]]);
        $counted = array_fill(0, \count(Effort::cases()), 0);
        $counted[Effort::Finger->value] = 2;
        $counted[Effort::Scraper->value] = 1;
        self::assertSame($counted, $record->efforts());
    }

    public function testAWeakHotPullDoesNotHold(): void
    {
        self::assertSame(Verdict::DoesNotHold, self::judge([12.0, 14.0, 13.1, 11.8, 12.9, 13.3], self::COLD)->verdict);
    }

    public function testAMissingMeasureLeavesItOpen(): void
    {
        foreach ([self::judge(self::HOT, self::COLD, effort: null), self::judge(self::HOT, self::COLD, damage: null)] as $unsaid) {
            self::assertSame(Verdict::NotYetKnown, $unsaid->verdict);
            self::assertSame('release.unsaid runs=6', Said::of($unsaid->release->reasons[0]));
            self::assertSame([null, 'verdict.unsettled runs=6'], [$unsaid->runsLeft, Said::of($unsaid->words())]);
        }
        $adaptive = self::judge(self::HOT, self::COLD, effort: null, design: Design::Adaptive);
        self::assertSame(Answer::NotYet, $adaptive->release->answer, 'A pull alone does not say how the part came off.');
        $noCold = self::judge(self::HOT, []);
        self::assertSame(Verdict::NotYetKnown, $noCold->verdict);
        self::assertStringContainsString('pulls.planned measure=measure.pull_cold n=0 planned=6', Said::of($noCold->release->reasons[0]));
        $nothing = SetupJudgement::of(new SetupRecord('A', []), self::plan());
        self::assertSame('verdict.runs_left runs=18', Said::of($nothing->words()));
    }

    public function testAPlanOfOneLookHasToBeCarriedOut(): void
    {
        $judgement = self::judge(\array_slice(self::HOT, 0, 4), \array_slice(self::COLD, 0, 4));
        self::assertSame(Verdict::NotYetKnown, $judgement->verdict);
        self::assertStringContainsString('pulls.planned measure=measure.pull_hot n=4 planned=6', Said::of($judgement->hold->reasons[0]));
        $counted = SetupJudgement::of(new SetupRecord('A', self::runs([], \array_slice(self::COLD, 0, 4), 0, 1, 0)), self::plan(criterion: Criterion::Counts));
        self::assertSame('judged.planned done=4 planned=12', Said::of($counted->hold->reasons[0]));
        self::assertSame(Verdict::HoldsAndLetsGo, self::judge(
            \array_slice(self::HOT, 0, 4),
            \array_slice(self::COLD, 0, 4),
            design: Design::Adaptive,
        )->verdict, 'Looked at after each run, four of each are enough here.');
    }

    /** Pulls that are counted have to be carried out too where there is one look; looked at after each, what they show so far is said. */
    public function testACountOfPullsAtOneLookHasToBeCarriedOut(): void
    {
        $said = static fn (Design $design, float ...$hot): string => Said::of(SetupJudgement::of(
            new SetupRecord('A', self::runs(array_values($hot), [], 0, 1, 0)),
            self::plan(design: $design, criterion: Criterion::WithoutLaw),
        )->hold->reasons[0]);
        self::assertSame('pulls.planned measure=measure.pull_hot n=3 planned=6', $said(Design::Fixed, 30.0, 31.0, 32.0));
        self::assertMatchesRegularExpression('/^pulls\.middle_not_yet .* limit=20 .* share=0\.5 confidence=0\.95$/', $said(Design::Adaptive, 30.0, 31.0, 32.0));
        self::assertStringStartsWith('pulls.middle_not_yet ', $said(Design::Fixed, 30.0, 31.0, 32.0, 19.0, 18.0, 21.0), 'All six were made.');
    }

    public function testTheFirstRunsAreThoseWithAllThatBelongsToThem(): void
    {
        $runs = self::runs([30.0, 31.0], [4.0], 0, 1, 0);
        $record = new SetupRecord('A', $runs, ['v1', 'v2', 'v3'], ['1', '1', '2'], true, [PullKind::Hot, PullKind::Cold, PullKind::Cold]);
        $first = $record->first(2);
        self::assertSame(
            [\array_slice($runs, 0, 2), ['v1', 'v2'], ['1', '1'], true, [PullKind::Hot, PullKind::Cold]],
            [$first->runs, $first->units, $first->visits, $first->takenHot, $first->pulls],
        );
    }

    public function testWhatWasSettledStandsUnlessTheCountRefutesIt(): void
    {
        $settled = self::runs(\array_slice(self::HOT, 0, 4), [], 0, 1, 0);
        $off = [new Reading(Measure::Held, 0)];
        $judge = static fn (int $failures): SetupJudgement => SetupJudgement::of(
            new SetupRecord('A', [...$settled, ...array_fill(0, $failures, $off)]),
            self::plan(design: Design::Adaptive),
        );
        self::assertSame(Answer::Yes, $judge(0)->hold->answer);
        self::assertSame(Answer::Yes, $judge(1)->hold->answer);
        self::assertContains('hold.since runs=1', Said::all($judge(1)->hold->reasons));
        self::assertSame(Answer::No, $judge(8)->hold->answer);
    }

    public function testLowerBoundsSettleWhatTheyCan(): void
    {
        $topped = self::runs(self::HOT, self::COLD, 0, 1, 0);
        $topped[0] = self::with($topped[0], new Reading(Measure::PullHot, 36, true));
        $judgement = SetupJudgement::of(new SetupRecord('A', $topped), self::plan());
        self::assertSame(Verdict::HoldsAndLetsGo, $judgement->verdict);
        self::assertContains('pulls.lower_bounds bounds=1 n=6 clearing=6 fewest=5', Said::all($judgement->hold->reasons));
        $cold = self::runs(self::HOT, self::COLD, 0, 1, 0);
        $cold[11] = self::with($cold[11], new Reading(Measure::PullCold, 5, true));
        self::assertSame(Answer::NotYet, SetupJudgement::of(new SetupRecord('A', $cold), self::plan())->release->answer);
        $counted = SetupJudgement::of(new SetupRecord('A', $topped), self::plan(criterion: Criterion::Counts));
        self::assertSame($counted->hold->share->runs, $counted->hold->share->passed(), 'At least 36 N clears 20 N.');
        $cold[11] = self::with($cold[11], new Reading(Measure::PullCold, 30, true));
        self::assertSame(1, SetupJudgement::of(new SetupRecord('A', $cold), self::plan(criterion: Criterion::Counts))->release->share->failures);
    }

    public function testDamageDecidesAndHardReleaseAsFarAsItIsShown(): void
    {
        self::assertSame(Verdict::HoldsWillNotLetGo, self::judge(self::HOT, self::COLD, damage: 1)->verdict);
        self::assertSame(Verdict::HoldsWillNotLetGo, self::judge(self::HOT, self::COLD, effort: 3)->verdict, 'All six.');
        self::assertSame(Verdict::HoldsAndLetsGo, self::judge(self::HOT, self::COLD, effort: 2)->verdict);
        $once = self::runs(self::HOT, self::COLD, 0, 1, 0);
        $once[11] = self::with($once[11], new Reading(Measure::Effort, 3));
        self::assertSame(Verdict::NotYetKnown, SetupJudgement::of(new SetupRecord('A', $once), self::plan())->verdict, 'One of six is no proof.');
    }

    public function testWithoutAnInstrumentHeldEffortAndDamageDecide(): void
    {
        $good = [new Reading(Measure::Held, 1), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)];
        $plan = new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, 0, Design::Fixed, 14, 0, 14);
        self::assertSame(Verdict::HoldsAndLetsGo, SetupJudgement::of(new SetupRecord('A', array_fill(0, 14, $good)), $plan)->verdict);
        $short = SetupJudgement::of(new SetupRecord('A', array_fill(0, 11, $good)), $plan);
        self::assertSame([Verdict::NotYetKnown, 3], [$short->verdict, $short->runsLeft], 'Success run: 80 % with 95 % confidence wants fourteen.');
        $off = array_fill(0, 6, [new Reading(Measure::Held, 0)]);
        self::assertSame(Verdict::DoesNotHold, SetupJudgement::of(new SetupRecord('A', $off), $plan)->verdict);
        $hard = array_fill(0, 14, [new Reading(Measure::Held, 1), new Reading(Measure::Effort, 3), new Reading(Measure::Damage, 0)]);
        self::assertSame(Verdict::HoldsWillNotLetGo, SetupJudgement::of(new SetupRecord('A', $hard), $plan)->verdict);
    }

    public function testLiftDecidesWhereThePlanSaysSo(): void
    {
        // 0.9 mm at one end in 14 of 14 runs (trade notes, section 8: 0.2 to 0.9 mm is bad).
        $lifted = [new Reading(Measure::Held, 1), new Reading(Measure::Lift, 0.9), new Reading(Measure::Lift, 0.0), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)];
        $record = new SetupRecord('A', array_fill(0, 14, $lifted));
        $plan = static fn (?float $most, LiftBy $by): ProofPlan => new ProofPlan(new Limits(null, null, Effort::Flex, $most, $by), Criterion::Counts, 0.8, 0, Design::Fixed, 14, 0, 14);
        self::assertSame(Verdict::HoldsAndLetsGo, SetupJudgement::of($record, $plan(null, LiftBy::MeanOfEnds))->verdict);
        self::assertSame(Verdict::DoesNotHold, SetupJudgement::of($record, $plan(0.1, LiftBy::MeanOfEnds))->verdict);
        // The mean of a pointed bar hides what its point does: 0.45 mm passes a limit of 0.5 that the worst end misses.
        self::assertSame(Verdict::HoldsAndLetsGo, SetupJudgement::of($record, $plan(0.5, LiftBy::MeanOfEnds))->verdict);
        self::assertSame(Verdict::DoesNotHold, SetupJudgement::of($record, $plan(0.5, LiftBy::WorstEnd))->verdict);
        $unmeasured = new SetupRecord('A', array_fill(0, 14, [$lifted[0], $lifted[3], $lifted[4]]));
        self::assertSame([14, 14], [SetupJudgement::of($unmeasured, $plan(0.1, LiftBy::MeanOfEnds))->hold->share->runs, SetupJudgement::of($unmeasured, $plan(0.1, LiftBy::MeanOfEnds))->hold->share->unsaid]);
    }

    public function testWhatStandsOnOnePlateCountsOnce(): void
    {
        $part = [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30), new Reading(Measure::PullHot, 34)];
        $record = new SetupRecord('A', [$part, $part, $part]);
        self::assertSame(3, \count($record->values(Measure::PullHot)));
        self::assertEqualsWithDelta(32, $record->values(Measure::PullHot)[0]->value, 1e-12);
        // Runs between which the plate stayed on: two visits, two outcomes, whatever their number of runs.
        $visits = new SetupRecord('A', array_fill(0, 6, [new Reading(Measure::Held, 1)]), ['v1', 'v1', 'v1', 'v2', 'v2', 'v2']);
        self::assertSame([RunOutcome::Passed, RunOutcome::Passed], $visits->holdOutcomes(new Limits(null, null, Effort::Flex), false));
    }

    /** Taken off hot it had no outlook, and 12 runs left where the plan has 6: its pull says how it comes off, and every run both. */
    public function testASetupThatIsTakenOffHotHasTheRunsOfItsPlanLeft(): void
    {
        $plan = new ProofPlan(new Limits(null, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 6, 0, 6);
        $made = static fn (int $n): SetupRecord => new SetupRecord(
            'A',
            array_map(static fn (int $i): array => [
                new Reading(Measure::Held, 1),
                new Reading(Measure::PullHot, self::COLD[$i]),
                new Reading(Measure::Effort, 1),
                new Reading(Measure::Damage, 0),
            ], range(0, $n - 1)),
            takenHot: true,
        );
        $judgement = SetupJudgement::of($made(2), $plan);
        self::assertSame(4, $judgement->runsLeft);
        $outlook = Outlook::inPlan($made(2), $plan, $judgement) ?? self::fail('It has an outlook.');
        self::assertLessThanOrEqual(4.0, $outlook->expectedRuns);
        self::assertSame(Answer::Yes, SetupJudgement::of($made(6), $plan)->release->answer);
    }

    /** Two hot pulls of 49 and 51 N against 20 N were said to lie "at the limit". */
    public function testTooFewPullsAreTheReasonWhereTheyAre(): void
    {
        $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::WithoutLaw, 0.8, 0, Design::Fixed, 2, 2, 0);
        foreach ([[49, 51], [31, 35]] as $pulls) {
            $judgement = SetupJudgement::of(new SetupRecord('A', self::runs($pulls, [], 0, 1, 0)), $plan);
            self::assertSame('verdict.too_few planned=2 what=measure.pull_hot needed=5', Said::of($judgement->words()));
            self::assertSame('pulls.too_few measure=measure.pull_hot n=2 needed=5', Said::of($judgement->hold->reasons[0]));
            self::assertContains('release.nobody_said', Said::all($judgement->release->reasons));
        }
    }

    /** Pull by pull, a part that came off and one that nobody pulled have their places among the pulls. */
    public function testWhatCameOffCountsAmongThePulls(): void
    {
        $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::WithoutLaw, 0.8, 3, Design::Fixed, 6, 6, 0);
        $judge = static fn (Reading ...$first): Answer => SetupJudgement::of(new SetupRecord(
            'A',
            [array_values($first), ...self::runs(\array_slice(self::HOT, 0, 5), [], 0, 1, 0)],
            pulls: array_fill(0, 6, PullKind::Hot),
        ), $plan)->hold->answer;
        self::assertSame(Answer::Yes, $judge(new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30)));
        self::assertSame(Answer::NotYet, $judge(new Reading(Measure::Held, 0)), 'Five of six are no proof of the middle.');
        self::assertSame(Answer::NotYet, $judge(new Reading(Measure::Held, 1)));
    }

    public function testTheVerdictSaysWhereItIsNotWhatWasExpected(): void
    {
        $weak = self::judge([12.0, 14.0, 13.1, 11.8, 12.9, 13.3], self::COLD);
        self::assertSame('surprise.hold_no chance=0.9', Said::of($weak->against(0.9, 0.9) ?? self::fail()));
        self::assertNull($weak->against(0.2, 0.9));
        self::assertNull($weak->against(null, null));
        self::assertSame('surprise.hold_yes chance=0.1', Said::of(self::judge(self::HOT, self::COLD)->against(0.1, 0.9) ?? self::fail()));
    }

    /**
     * @param list<float> $hot
     * @param list<float> $cold
     */
    private static function judge(array $hot, array $cold, int $cameOff = 0, ?int $effort = 1, ?int $damage = 0, int $failuresAllowed = 0, Design $design = Design::Fixed): SetupJudgement
    {
        return SetupJudgement::of(new SetupRecord('A', self::runs($hot, $cold, $cameOff, $effort, $damage)), self::plan($failuresAllowed, $design));
    }

    /**
     * @param list<Reading> $run
     *
     * @return list<Reading> with that reading instead of the one of its measure
     */
    private static function with(array $run, Reading $reading): array
    {
        return array_map(static fn (Reading $each): Reading => $each->measure === $reading->measure ? $reading : $each, $run);
    }

    private static function plan(int $failuresAllowed = 0, Design $design = Design::Fixed, Criterion $criterion = Criterion::Mean): ProofPlan
    {
        return new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.8, $failuresAllowed, $design, 12, 6, 6);
    }

    /**
     * @param list<float> $hot
     * @param list<float> $cold
     *
     * @return list<list<Reading>>
     */
    private static function runs(array $hot, array $cold, int $cameOff, ?int $effort, ?int $damage): array
    {
        $runs = array_fill(0, $cameOff, [new Reading(Measure::Held, 0)]);
        foreach ($hot as $pull) {
            $runs[] = [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, $pull)];
        }
        foreach ($cold as $pull) {
            $run = [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, $pull)];
            null === $effort || $run[] = new Reading(Measure::Effort, $effort);
            null === $damage || $run[] = new Reading(Measure::Damage, $damage);
            $runs[] = $run;
        }

        return $runs;
    }
}
