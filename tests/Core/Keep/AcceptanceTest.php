<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\Sureness;
use Sitzplatz\Tests\Core\Words\Said;

final class AcceptanceTest extends TestCase
{
    /** @return iterable<array{float, float, int, int}> */
    public static function plans(): iterable
    {
        // Success-run theorem: n = ⌈ln(1−C)/ln R⌉.
        yield [0.8, 0.9, 0, 11];
        yield [0.9, 0.9, 0, 22];
        yield [0.9, 0.95, 0, 29];
        yield [0.95, 0.95, 0, 59];
        // An exact tie: 0.5³ = 1 − 0.875.
        yield [0.5, 0.875, 0, 3];
        // With one failure: the binomial sum; R: pbinom(1, 38, 0.1) = 0.0953 is the first at or below 0.1.
        yield [0.9, 0.9, 1, 38];
    }

    #[DataProvider('plans')]
    public function testRunsNeeded(float $reliability, float $confidence, int $failures, int $runs): void
    {
        self::assertSame($runs, (new AcceptancePlan($reliability, $confidence, $failures))->runsNeeded);
    }

    public function testAPlanThatIsNoneSaysWhatItWasGiven(): void
    {
        foreach ([[0.8, 0.9, 2, '0 <= k <= 1, k = 2'], [0.8, 0.9, -1, '0 <= k <= 1, k = -1'], [1.0, 0.9, 0, '1'], [0.8, 0.0, 0, '0']] as [$reliability, $confidence, $failures, $told]) {
            try {
                new AcceptancePlan($reliability, $confidence, $failures);
                self::fail("$reliability $confidence $failures");
            } catch (InvalidArgument $e) {
                self::assertStringContainsString($told, $e->getMessage());
            }
        }
    }

    /** "Enough for a profile" said 29 runs where Keep asked 11: what a plan is sized for is one of the levels that Keep offers. */
    public function testWhatAPlanIsSizedForIsALevelOfKeep(): void
    {
        $levels = array_map(static fn (AcceptancePlan $each): array => [$each->reliability, $each->confidence], AcceptancePlan::usual());
        self::assertSame([0, 0, 0, 0], array_map(static fn (AcceptancePlan $each): int => $each->failuresAllowed, AcceptancePlan::usual()));
        // ⌈ln(1 − C) / ln R⌉
        self::assertSame([11, 22, 29, 59], array_map(static fn (AcceptancePlan $each): int => $each->runsNeeded, AcceptancePlan::usual()));
        foreach ([Sureness::Use, Sureness::Profile] as $sure) {
            self::assertContains($sure->profile(), $levels);
            $needed = (new AcceptancePlan($sure->profile()[0], $sure->profile()[1], 0))->runsNeeded;
            foreach ([true, false] as $pulls) {
                self::assertGreaterThanOrEqual($needed, $sure->runs($pulls));
            }
        }
        self::assertSame('sureness.profile_asks runs=29 share=0.9 reliability=90 confidence=95', Said::of(Sureness::Profile->asks(false)));
    }

    public function testImpossiblePlans(): void
    {
        foreach ([[1.0, 0.9, 0], [0.9, 0.0, 0], [0.9, 0.9, 2], [0.9, 0.9, -1]] as [$r, $c, $f]) {
            try {
                new AcceptancePlan($r, $c, $f);
                self::fail('There is no such plan.');
            } catch (InvalidArgument $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function testElevenRunsWithoutFailureCarryIt(): void
    {
        $assessment = self::assess(self::runs(11));
        self::assertSame([], $assessment->missing);
        self::assertTrue($assessment->carried());
        self::assertSame([11, 11, 0], [$assessment->runsNeeded, \count($assessment->countedRuns), $assessment->failures]);
    }

    public function testWhatIsMissingIsSaid(): void
    {
        self::assertSame(['keep.runs_done done=10 needed=11 more=1'], Said::all(self::assess(self::runs(10))->missing));
        $failed = self::assess([...self::runs(11), self::runWith('f', [new Reading(Measure::Held, 0)])]);
        self::assertSame(['keep.failed failures=1 runs=12 allowed=0'], Said::all($failed->missing));
        $hard = [...self::runs(10), self::cold('x', effort: 3)];
        self::assertStringContainsString('keep.failed failures=1 runs=11', Said::of(self::assess($hard)->missing[0]));
        $damaged = [...self::runs(10), self::cold('x', damage: 1)];
        self::assertContains('release.damaged runs=1', Said::all(self::assess($damaged)->missing));
        $silent = [...self::runs(10), self::runWith('x', [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, 4.5)])];
        self::assertContains('keep.unsaid runs=1', Said::all(self::assess($silent)->missing));
        $noPulls = array_map(
            static fn (int $i): EvidenceRun => self::runWith(
                "r$i",
                [new Reading(Measure::Held, 1), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)],
            ),
            range(1, 11),
        );
        self::assertCount(2, self::assess($noPulls)->missing);
        $bound = [...self::runs(11), self::runWith('b', [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 32, true)])];
        self::assertSame([], self::assess($bound)->missing, 'A hot pull of at least 32 N clears 20 N.');
        $topped = [...self::runs(9), self::runWith('b', [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, 5, true), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)]), self::cold('c')];
        self::assertStringStartsWith('keep.cold_not_shown limit=12', Said::of(self::assess($topped)->missing[0]), 'A cold pull of at least 5 N may be any above.');
        // Six of these twelve runs were pulled hot, and say nothing of the release; by counts a pull above its limit is a failure.
        self::assertSame(
            ['keep.released done=6 needed=11', 'keep.failed failures=1 runs=12 allowed=0'],
            Said::all(self::assess([...self::runs(11), self::cold('d', 30)], criterion: Criterion::Counts)->missing),
        );
        $tooWeak = self::assess(self::runs(11), limits: new Limits(40, 12, Effort::Flex));
        self::assertStringContainsString('keep.hot_not_shown limit=40', Said::of($tooWeak->missing[0]));
        $tooHard = self::assess(self::runs(11), limits: new Limits(20, 3, Effort::Flex));
        self::assertStringContainsString('keep.cold_not_shown limit=3', Said::of($tooHard->missing[0]));
    }

    /** Imported as "at least 3 N" and "at least 11.9 N", with limits of 20 and 12 N, such runs were carried with 0 failures. */
    public function testAPullThatLeavesItOpenIsNoSuccess(): void
    {
        $runs = [];
        for ($i = 0; $i < 12; ++$i) {
            $runs[] = self::runWith("h$i", [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 3, true)]);
            $runs[] = self::runWith("c$i", [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, 11.9, true), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)]);
        }
        foreach (Criterion::cases() as $criterion) {
            $assessment = self::assess($runs, criterion: $criterion);
            self::assertFalse($assessment->carried(), $criterion->value);
        }
        $counted = self::assess($runs, criterion: Criterion::Counts);
        self::assertSame(['keep.open runs=24'], Said::all($counted->missing));
        self::assertSame([0, 24], [$counted->failures, $counted->incomplete]);
    }

    /** A pull that was planned and never taken was a success. */
    public function testAPullThatWasNeverTakenIsNoSuccess(): void
    {
        $untaken = array_map(static fn (int $i): EvidenceRun => new EvidenceRun(
            "u$i",
            false,
            [new Reading(Measure::Held, 1), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)],
            'lot1',
            'p1',
            20,
            24,
            1,
            false,
            pull: PullKind::Cold,
        ), range(1, 12));
        self::assertSame(['keep.unsaid runs=12'], Said::all(self::assess($untaken, criterion: Criterion::Counts)->missing));
    }

    /** Pulls are judged at the looks that their plan froze: one look at whatever there is, whenever that is, errs more with each. */
    public function testPullsAreJudgedAtTheLooksOfTheirPlan(): void
    {
        $weak = static fn (int $i): EvidenceRun => self::runWith("w$i", [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 19.0 + 0.1 * $i)]);
        $runs = [...array_map($weak, range(0, 5)), ...self::runs(12)];
        self::assertStringStartsWith('keep.hot_not_shown', Said::of(self::assess($runs)->missing[0]), 'The first six decide, whatever came after.');
        self::assertTrue(self::assess([...self::runs(12), ...array_map($weak, range(0, 5))])->carried(), 'And what they showed stands.');
        // What another plan with the same setup has refuted is not proven by this one.
        $other = array_map(static fn (EvidenceRun $run): EvidenceRun => new EvidenceRun($run->id, false, $run->readings, 'lot1', 'p1', 20, 24, 1, false, beganAt: 1.0, setupId: 'other'), array_map($weak, range(0, 5)));
        $plan = self::proof(new Limits(20, 12, Effort::Flex), Criterion::Mean);
        $assess = static fn (array $runs): Assessment => Assessment::of(array_values($runs), new AcceptancePlan(0.8, 0.9, 0), $plan, new ScopeClaim(false, false), setupId: '', others: ['other' => $plan]);
        self::assertSame(['keep.hot_refuted limit=20'], Said::all($assess([...self::runs(12), ...$other])->missing));
    }

    public function testAShopWithoutAnInstrumentKeepsProfilesToo(): void
    {
        $said = [new Reading(Measure::Held, 1), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)];
        $runs = array_map(static fn (int $i): EvidenceRun => self::runWith("r$i", $said), range(1, 11));
        self::assertTrue(self::assess($runs, limits: new Limits(null, null, Effort::Flex), criterion: Criterion::Counts)->carried());
        $bars = new Limits(null, null, Effort::Flex, 0.1);
        // A lift that nobody measured may be any.
        self::assertSame(['keep.unsaid runs=11'], Said::all(self::assess($runs, limits: $bars, criterion: Criterion::Counts)->missing));
        self::assertSame([0, 11], [self::assess($runs, limits: $bars, criterion: Criterion::Counts)->failures, self::assess($runs, limits: $bars, criterion: Criterion::Counts)->incomplete]);
        $lifted = array_map(static fn (int $i): EvidenceRun => self::runWith("r$i", [...$said, new Reading(Measure::Lift, 0.9)]), range(1, 11));
        self::assertSame(11, self::assess($lifted, limits: $bars, criterion: Criterion::Counts)->failures);
    }

    public function testBelowNinetyFivePercentItIsAcceptedAndNeverHolds(): void
    {
        self::assertSame('keep.accepted confidence=0.9 reliability=0.8 proof=0.95', Said::of((new AcceptancePlan(0.8, 0.9, 0))->words()));
        self::assertSame('keep.accepted_pulls', strtok(Said::of(AcceptancePlan::inWords(0.8, 0.9, Criterion::Mean, 6)), ' '));
        self::assertSame('keep.accepted_pulls', strtok(Said::of(AcceptancePlan::inWords(0.8, 0.9, Criterion::Mean, 1)), ' '));
        self::assertSame('keep.accepted', strtok(Said::of(AcceptancePlan::inWords(0.8, 0.9, Criterion::Mean, 0)), ' '));
        self::assertSame('keep.holds confidence=0.95 reliability=0.95 proof=0.95', Said::of((new AcceptancePlan(0.95, 0.95, 0))->words()));
    }

    public function testVoidRunsStandBesideAndDoNotCount(): void
    {
        $void = new EvidenceRun('v', true, [new Reading(Measure::Held, 0)], 'lot1', 'p1', 20, 24, 1, false);
        $assessment = self::assess([...self::runs(11), $void]);
        self::assertTrue($assessment->carried());
        self::assertSame(['v'], $assessment->voidRuns);
        self::assertNotContains('v', $assessment->countedRuns);
    }

    public function testAnyLotAndAnyPlateNeedThreeOfThem(): void
    {
        $missing = self::assess(self::runs(11), new ScopeClaim(true, true))->missing;
        self::assertSame(['keep.any_lot needed=3 lots=1', 'keep.any_plate needed=3 plates=1'], Said::all($missing));
        $wide = array_map(
            static fn (EvidenceRun $run, int $i): EvidenceRun => new EvidenceRun(
                $run->id,
                false,
                $run->readings,
                'lot'.$i % 3,
                'p'.$i % 3,
                20 + $i % 4,
                24 + $i,
                1 + $i % 2,
                0 !== $i,
            ),
            self::runs(12),
            range(0, 11),
        );
        $assessment = self::assess($wide, new ScopeClaim(true, true));
        self::assertTrue($assessment->carried());
        self::assertNotNull($assessment->proven);
        self::assertEqualsWithDelta(18, $assessment->proven->roomLowC, 0);
        self::assertEqualsWithDelta(25, $assessment->proven->roomHighC, 0);
        self::assertEqualsWithDelta(35, $assessment->proven->longestJobMinutes, 0);
        self::assertSame(2, $assessment->proven->mostParts);
        self::assertFalse($assessment->proven->enclosed);
    }

    public function testNoRunsProveNothing(): void
    {
        $assessment = self::assess([], new ScopeClaim(true, true));
        self::assertContains('keep.any_lot needed=3 lots=0', Said::all($assessment->missing));
        self::assertContains('keep.any_plate needed=3 plates=0', Said::all($assessment->missing));
        self::assertContains('keep.runs_done done=0 needed=11 more=11', Said::all($assessment->missing));
        self::assertSame([11, 0, 0, null], [$assessment->moreRuns, $assessment->failures, $assessment->incomplete, $assessment->evidenceUntil]);
        self::assertFalse($assessment->carried());
        self::assertNull($assessment->proven);
    }

    /** @param list<EvidenceRun> $runs */
    private static function assess(
        array $runs,
        ScopeClaim $claim = new ScopeClaim(false, false),
        Limits $limits = new Limits(20, 12, Effort::Flex),
        Criterion $criterion = Criterion::Mean,
    ): Assessment {
        return Assessment::of($runs, new AcceptancePlan(0.8, 0.9, 0), self::proof($limits, $criterion), $claim);
    }

    /** Five pulls of either kind at one look. */
    private static function proof(Limits $limits, Criterion $criterion): ProofPlan
    {
        return new ProofPlan($limits, $criterion, 0.8, 0, Design::Fixed, 10, 5, 5);
    }

    /** @return list<EvidenceRun> hot and cold pulls in turn */
    private static function runs(int $n): array
    {
        return array_map(static fn (int $i): EvidenceRun => 0 === $i % 2
            ? self::runWith("r$i", [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30 + $i % 3)])
            : self::cold("r$i", 4 + $i % 3), range(0, $n - 1));
    }

    private static function cold(string $id, float $pull = 4.2, int $effort = 1, int $damage = 0): EvidenceRun
    {
        return self::runWith(
            $id,
            [
                new Reading(Measure::Held, 1),
                new Reading(Measure::PullCold, $pull),
                new Reading(Measure::Effort, $effort),
                new Reading(Measure::Damage, $damage),
            ],
        );
    }

    /** @param list<Reading> $readings */
    private static function runWith(string $id, array $readings): EvidenceRun
    {
        return new EvidenceRun($id, false, $readings, 'lot1', 'p1', 20, 24, 1, false);
    }
}
