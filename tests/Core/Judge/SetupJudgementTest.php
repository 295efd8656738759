<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Limits;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\Verdict;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
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
        self::assertNull($judgement->moreRuns);
        // R: t.test(hot, alternative = "greater")$conf.int[1] = 28.496, less: 33.104
        self::assertMatchesRegularExpression('/low=28\.4[5-9]\d* high=33\.1\d*|low=28\.5\d* high=33\.1\d*/', Said::of($judgement->hold->reasons[0]));
    }

    public function testMoreForceNeverWinsByItself(): void
    {
        $judgement = self::judge([43.1, 47.5, 39.8, 45.2, 41.7, 48.9], [13.2, 18.9, 15.4, 17.1, 14.8, 19.5]);
        self::assertSame(Verdict::HoldsWillNotLetGo, $judgement->verdict);
        self::assertSame(Answer::Yes, $judgement->hold->answer);
    }

    public function testAPartThatCameOffIsAFailureWhateverTheOthersPull(): void
    {
        $judgement = self::judge([60.0, 61.0, 59.0, 60.5, 60.2], self::COLD, cameOff: 1);
        self::assertSame(Verdict::DoesNotHold, $judgement->verdict);
        self::assertSame([11, 12], [$judgement->held->held, $judgement->held->runs]);
        $allowed = self::judge([60.0, 61.0, 59.0, 60.5, 60.2], self::COLD, cameOff: 1, failuresAllowed: 1);
        self::assertSame(Verdict::HoldsAndLetsGo, $allowed->verdict);
    }

    public function testAWeakHotPullDoesNotHold(): void
    {
        self::assertSame(Verdict::DoesNotHold, self::judge([12.0, 14.0, 13.1, 11.8, 12.9, 13.3], self::COLD)->verdict);
    }

    public function testAMeanNearTheLimitIsNotYetKnownAndSaysHowManyMore(): void
    {
        $hot = [24.0, 17.5, 22.5, 18.0, 25.5, 21.0];
        $judgement = self::judge($hot, self::COLD);
        self::assertSame(Verdict::NotYetKnown, $judgement->verdict);
        $mean = MeanAgainstLimit::of(new Sample($hot), 20);
        self::assertSame(Answer::NotYet, $mean->above);
        // R: m <- mean(x); s <- sd(x); the smallest n > 6 with qt(.95, n-1)*s/sqrt(n) <= abs(m-20) is 16
        self::assertSame(10, $mean->moreReadings);
        self::assertSame('verdict.more_runs runs=10', Said::of($judgement->words()));
    }

    public function testAMissingMeasureLeavesItOpen(): void
    {
        $noEffort = self::judge(self::HOT, self::COLD, effort: null);
        self::assertSame(Verdict::NotYetKnown, $noEffort->verdict);
        self::assertSame('release.unsaid runs=6 said=0 planned=6', Said::of($noEffort->release->reasons[0]));
        $noDamage = self::judge(self::HOT, self::COLD, damage: null);
        self::assertSame('release.unsaid runs=6 said=0 planned=6', Said::of($noDamage->release->reasons[0]));
        $noCold = self::judge(self::HOT, []);
        self::assertSame(Verdict::NotYetKnown, $noCold->verdict);
        self::assertStringContainsString('bound.none measure=measure.pull_cold', Said::of($noCold->release->reasons[0]));
        $nothing = SetupJudgement::of(new SetupRecord('A', []), self::limits());
        self::assertSame('verdict.more_runs runs=12', Said::of($nothing->words()));
    }

    public function testThePlanHasToBeCarriedOut(): void
    {
        $judgement = self::judge(\array_slice(self::HOT, 0, 4), \array_slice(self::COLD, 0, 4));
        self::assertSame(Verdict::NotYetKnown, $judgement->verdict);
        self::assertSame(4, $judgement->moreRuns);
        self::assertStringContainsString('hold.planned done=8 planned=12', Said::of($judgement->hold->reasons[0]));
    }

    public function testLowerBoundsLeaveItOpenAndMoreRunsDoNotHelp(): void
    {
        $runs = self::runs(self::HOT, self::COLD, 0, 1, 0);
        $runs[0][] = new Reading(Measure::PullHot, 60, true);
        $judgement = SetupJudgement::of(new SetupRecord('A', $runs), self::limits());
        self::assertSame(Verdict::NotYetKnown, $judgement->verdict);
        self::assertNull($judgement->moreRuns);
        self::assertStringContainsString('hold.lower_bounds', Said::of($judgement->hold->reasons[0]));
        self::assertSame('verdict.runs_will_not_settle', Said::of($judgement->words()));
        $cold = self::runs(self::HOT, self::COLD, 0, 1, 0);
        $cold[11][] = new Reading(Measure::PullCold, 30, true);
        $release = SetupJudgement::of(new SetupRecord('A', $cold), self::limits())->release;
        self::assertStringContainsString('above=1 limit=12', Said::of($release->reasons[0]));
    }

    public function testDamageAndHardReleaseDecide(): void
    {
        self::assertSame(Verdict::HoldsWillNotLetGo, self::judge(self::HOT, self::COLD, damage: 1)->verdict);
        self::assertSame(Verdict::HoldsWillNotLetGo, self::judge(self::HOT, self::COLD, effort: 3)->verdict);
        self::assertSame(Verdict::HoldsAndLetsGo, self::judge(self::HOT, self::COLD, effort: 2)->verdict);
    }

    public function testAMeanTooNearTheLimitIsOutOfReach(): void
    {
        $mean = MeanAgainstLimit::of(new Sample([19.0, 21.0, 20.1]), 20);
        self::assertNull($mean->moreReadings);
        self::assertSame(1, MeanAgainstLimit::of(new Sample([25.0]), 20)->moreReadings);
    }

    /**
     * @param list<float> $hot
     * @param list<float> $cold
     */
    private static function judge(array $hot, array $cold, int $cameOff = 0, ?int $effort = 1, ?int $damage = 0, int $failuresAllowed = 0): SetupJudgement
    {
        return SetupJudgement::of(new SetupRecord('A', self::runs($hot, $cold, $cameOff, $effort, $damage)), self::limits($failuresAllowed));
    }

    private static function limits(int $failuresAllowed = 0): Limits
    {
        return new Limits(20, 12, Effort::Flex, $failuresAllowed, 12, 6);
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
