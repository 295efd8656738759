<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\ShareAgainstRequired;
use Sitzplatz\Judge\UnitValue;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\RunOutcome;

/** Pulls against a limit and shares against what is required; the bounds are those of R 4.2.2. */
final class AgainstLimitTest extends TestCase
{
    private const SIX = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];

    /**
     * @return iterable<string, array{list<float>, float, float, float, Answer}> readings, limit, answer, and the bounds by R: with t = qt(.95, n-1),
     *                                                                           se = sd/sqrt(n), g = n*sum(d^3)/((n-1)*(n-2))/sd^3, a = g/(3*sqrt(n)) the least of m - t*se, m + g*sd/(6*n) - t*se and
     *                                                                           m - se*((1 + 3*a*(t - a/2))^(1/3) - 1)/a (a real cube root), and the same of the mirrored readings
     */
    public static function means(): iterable
    {
        yield 'clears' => [[24, 25, 24.5], 20, 23.6570727695765, 25.3429272304235, Answer::Yes];
        yield 'clears with spread' => [[31, 33, 29, 30, 35, 28], 20, 28.8548171935423, 33.7274761756776, Answer::Yes];
        yield 'misses' => [[11, 12, 11.5], 20, 10.6570727695765, 12.3429272304235, Answer::No];
        yield 'around it' => [[19, 22, 20.5], 20, 17.9712183087294, 23.0287816912706, Answer::NotYet];
        yield 'above it, but scattered' => [[35, 18, 25], 20, 11.5960531724626, 51.7538320988122, Answer::NotYet];
        yield 'steady, and nearly on it' => [[20, 20.2, 19.9, 20.1], 20, 19.8980910434907, 20.2019089565093, Answer::NotYet];
    }

    /** @param list<float> $readings */
    #[DataProvider('means')]
    public function testMeanAtOneLook(array $readings, float $limit, float $low, float $high, Answer $answer): void
    {
        $judged = self::pulls($readings, $limit);
        self::assertSame($answer, $judged->clears);
        self::assertEqualsWithDelta($low, $judged->lower ?? \NAN, 1e-12);
        self::assertEqualsWithDelta($high, $judged->upper ?? \NAN, 1e-12);
        // The same as an upper limit: the other way round.
        $mirrored = self::pulls($readings, $limit, false);
        self::assertSame(match ($answer) {
            Answer::Yes => Answer::No,
            Answer::No => Answer::Yes,
            Answer::NotYet => Answer::NotYet,
        }, $mirrored->clears);
        self::assertEqualsWithDelta($low, $mirrored->lower ?? \NAN, 1e-12);
    }

    public function testOnlyRunsThatPassedForCertainArePassed(): void
    {
        $outcomes = [...array_fill(0, 7, RunOutcome::Passed), ...array_fill(0, 3, RunOutcome::Failed), RunOutcome::Open, RunOutcome::Open, RunOutcome::Unsaid];
        $judged = ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, 13, 13, null, 0.05);
        self::assertSame([7, 3, 2, 1], [$judged->passed(), $judged->failures, $judged->open, $judged->unsaid]);
    }

    public function testNothingIsSaidBeforeThePlannedLookNorByRunsBeyondIt(): void
    {
        $before = ValueAgainstLimit::of(self::values([31.0, 32.0, 33.0]), 20, true, PullRule::Mean, Design::Fixed, 4, 4);
        self::assertSame([Answer::NotYet, null], [$before->clears, $before->lower]);
        $beyond = ValueAgainstLimit::of(self::values([19.0, 22.0, 20.5, 60.0, 61.0, 62.0]), 20, true, PullRule::Mean, Design::Fixed, 3, 3);
        self::assertSame([Answer::NotYet, 3], [$beyond->clears, $beyond->n]);
    }

    public function testAfterEachRunItIsDecidedAtTheFirstLookThatShowsIt(): void
    {
        $judge = static fn (array $pulls): ValueAgainstLimit => ValueAgainstLimit::of(self::values(array_map(floatval(...), array_values($pulls))), 20, true, PullRule::Mean, Design::Adaptive, 10, 13);
        $pulls = [30.0, 31.5, 29.2, 31.0, 28.8];
        $at = $judge($pulls)->decidedAt;
        self::assertNotNull($at);
        self::assertSame(Answer::NotYet, $judge(\array_slice($pulls, 0, $at - 1))->clears);
        // It stands, whatever comes after.
        self::assertSame([Answer::Yes, $at], [$judge([...$pulls, 1.0, 2.0, 3.0])->clears, $judge([...$pulls, 1.0, 2.0, 3.0])->decidedAt]);
    }

    public function testNearlyAllTakesTheFurtherOfANormalAndAWeibullBound(): void
    {
        $judge = static fn (float $limit, bool $atLeast): ValueAgainstLimit => ValueAgainstLimit::of(self::values(self::SIX), $limit, $atLeast, PullRule::NearlyAll, Design::Fixed, 6, 6);
        // R: mean(x) - k*sd(x), k = qt(.95, 5, ncp = qnorm(.9)*sqrt(6))/sqrt(6), is 22.38033, and with qt(.05, …) 29.19009; the bounds
        // of WeibullToleranceTest lie further out.
        self::assertEqualsWithDelta(21.025, $judge(20, true)->lower ?? \NAN, 0.05);
        self::assertEqualsWithDelta(29.338, $judge(20, true)->upper ?? \NAN, 0.02);
        self::assertSame([Answer::Yes, Answer::NotYet, Answer::No], [$judge(20.5, true)->clears, $judge(22, true)->clears, $judge(30, true)->clears]);
        // Of the release nine in ten stay below what lies between: normal 32.40991 to 39.21967, Weibull 32.656 to 38.356.
        self::assertEqualsWithDelta(39.21967, $judge(45, false)->upper ?? \NAN, 1e-5);
        self::assertEqualsWithDelta(32.40991, $judge(45, false)->lower ?? \NAN, 1e-5);
        self::assertSame([Answer::Yes, Answer::NotYet, Answer::No], [$judge(39.3, false)->clears, $judge(39, false)->clears, $judge(32.3, false)->clears]);
    }

    public function testPullsThatAreCountedNeedNoLaw(): void
    {
        // Arbuthnott's argument: five of five beyond the limit come by chance in 1 of 32 where the middle lies at it; four of four in 1 of 16.
        $middle = static fn (int $n, int $below = 0): Answer => ValueAgainstLimit::of(
            self::values([...array_fill(0, $n - $below, 20.1), ...array_fill(0, $below, 19.9)]),
            20,
            true,
            PullRule::Middle,
            Design::Fixed,
            $n,
            $n,
        )->clears;
        self::assertSame([Answer::NotYet, Answer::Yes, Answer::NotYet, Answer::Yes, Answer::No], [$middle(4), $middle(5), $middle(7, 1), $middle(8, 1), $middle(5, 5)]);
        // R: binom.test(7, 8, alternative = "greater")$p.value = 0.03515625, binom.test(6, 7, …) = 0.0625
        $share = static fn (int $n): Answer => ValueAgainstLimit::of(self::values(array_fill(0, $n, 20.0)), 20, true, PullRule::Share, Design::Fixed, $n, $n, 0.8)->clears;
        self::assertSame([Answer::NotYet, Answer::Yes], [$share(13), $share(14)]);
        // Half a step of the scale from the limit nobody knows on which side it lies.
        $coarse = ValueAgainstLimit::of(self::values([20.0, 20.4, 20.4, 20.5, 21.0], 1.0), 20, true, PullRule::Middle, Design::Fixed, 5, 5);
        self::assertSame([2, 3, 0], [$coarse->clearing(), $coarse->counted->open, $coarse->counted->failures]);
    }

    public function testTheMiddleOfLogsHasItsBoundOnLogarithms(): void
    {
        $pulls = [2.1, 4.4, 3.0, 7.9, 0.0];
        $judged = ValueAgainstLimit::of(self::values($pulls, 0.1), 12, false, PullRule::MiddleOfLogs, Design::Fixed, 5, 5);
        // R: x <- log(c(2.1, 4.4, 3, 7.9, .1)); exp(mean(x) + c(-1, 1)*qt(.95, 4)*sd(x)/sqrt(5)) + c(-.05, .05); 0 N is read as the step.
        self::assertEqualsWithDelta(0.315035282666, $judged->lower ?? \NAN, 1e-6);
        self::assertEqualsWithDelta(9.465280942563, $judged->upper ?? \NAN, 1e-6);
        self::assertSame(Answer::Yes, $judged->clears);
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of(self::values($pulls, 0.1), 9, false, PullRule::MiddleOfLogs, Design::Fixed, 5, 5)->clears);
        // Equal readings have the spread that the step hides, as a share of their middle; R: s <- 1/sqrt(12)/5; exp(log(5) + c(-1, 1)*qt(.95, 2)*s/sqrt(3)) + c(-.5, .5)
        $equal = ValueAgainstLimit::of(self::values([5.0, 5.0, 5.0], 1.0), 12, false, PullRule::MiddleOfLogs, Design::Fixed, 3, 3);
        self::assertEqualsWithDelta([4.03626986977, 6.01113595921], [$equal->lower, $equal->upper], 1e-9);
    }

    public function testAScaleTakesHalfItsStepOffTheBound(): void
    {
        $fine = self::pulls([22.0, 22.0, 23.0], 20);
        $coarse = ValueAgainstLimit::of(self::values([22.0, 22.0, 23.0], 1.0), 20, true, PullRule::Mean, Design::Fixed, 3, 3);
        self::assertEqualsWithDelta(($fine->lower ?? \NAN) - 0.5, $coarse->lower ?? \NAN, 1e-12);
        self::assertEqualsWithDelta(($fine->upper ?? \NAN) + 0.5, $coarse->upper ?? \NAN, 1e-12);
        // Equal readings in steps of 1 N have at least the spread that the step hides: 1/√12; R: 22 - 0.5 - qt(.95, 2)/sqrt(12)/sqrt(3).
        $equal = ValueAgainstLimit::of(self::values([22.0, 22.0, 22.0], 1.0), 20, true, PullRule::Mean, Design::Fixed, 3, 3);
        self::assertEqualsWithDelta(21.01333574, $equal->lower ?? \NAN, 1e-7);
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of(self::values([21.0, 21.0, 21.0], 1.0), 20.2, true, PullRule::Mean, Design::Fixed, 3, 3)->clears);
    }

    /** Capped values shrink the spread: taken by their mean alone, 8 to 12 of 100 that lay at the limit were said to hold. */
    public function testWhereThereAreLowerBoundsItHasToBeCountedToo(): void
    {
        $topped = static fn (int $n): array => [new UnitValue(58), ...array_fill(0, $n - 1, new UnitValue(60, true))];
        $mean = static fn (int $n, float $limit, bool $atLeast): Answer => ValueAgainstLimit::of($topped($n), $limit, $atLeast, PullRule::Mean, Design::Fixed, $n, $n)->clears;
        self::assertSame([Answer::NotYet, Answer::Yes], [$mean(4, 20, true), $mean(5, 20, true)], 'Hot, five that clear it are the fewest that show it.');
        self::assertSame([Answer::NotYet, Answer::No], [$mean(4, 12, false), $mean(5, 12, false)], 'Cold, it is above its limit all the more.');
        $low = [new UnitValue(5, true), new UnitValue(5.2), new UnitValue(5.1), new UnitValue(5.0), new UnitValue(5.1)];
        $cold = ValueAgainstLimit::of($low, 12, false, PullRule::Mean, Design::Fixed, 5, 5);
        self::assertSame([Answer::NotYet, null], [$cold->clears, $cold->upper], 'What was read "at least" may be anything above.');
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of($low, 20, true, PullRule::Mean, Design::Fixed, 5, 5)->clears);
        // Nearly all: 29 that clear it show nine in ten, 28 do not.
        $many = static fn (int $n): ValueAgainstLimit => ValueAgainstLimit::of(array_fill(0, $n, new UnitValue(30, true)), 20, true, PullRule::NearlyAll, Design::Fixed, $n, $n);
        self::assertSame([Answer::Yes, Answer::NotYet], [$many(29)->clears, $many(28)->clears]);
    }

    /** Six readings were "yes", and with a seventh of at least 61 N, looked at by another method, it was taken back. */
    public function testTheMethodStaysTheSameFromLookToLook(): void
    {
        $judge = static fn (UnitValue ...$more): ValueAgainstLimit => ValueAgainstLimit::of(
            [...self::values([60.0, 61.0, 59.5, 60.4, 60.2, 59.9]), ...array_values($more)],
            20,
            true,
            PullRule::NearlyAll,
            Design::Adaptive,
            10,
            13,
        );
        self::assertSame(Answer::Yes, $judge()->clears);
        self::assertSame([Answer::Yes, $judge()->decidedAt], [$judge(new UnitValue(61, true))->clears, $judge(new UnitValue(61, true))->decidedAt]);
    }

    public function testWeakLinksAreNotHiddenInAMean(): void
    {
        $weak = [40.1, 41.2, 39.5, 40.8, 40.3, 39.9, 40.6, 41.0, 22.0, 23.1];
        self::assertSame(Answer::NotYet, self::pulls($weak, 25)->clears, 'The bound itself sees them here,');
        // and where it does not, that they do not scatter evenly is seen.
        $judged = self::pulls($weak, 15);
        self::assertSame([Answer::NotYet, true, 10], [$judged->clears, $judged->uneven, $judged->clearing()]);
        // A tail of strong pulls does not speak against the lower bound.
        $strong = [30.1, 31.2, 29.5, 30.8, 30.3, 29.9, 30.6, 31.0, 52.0, 49.0];
        self::assertSame([Answer::Yes, false], [self::pulls($strong, 25)->clears, self::pulls($strong, 25)->uneven]);
    }

    /** @return iterable<array{int, int, Answer, Answer}> good and bad of 14 at one look for 80 %; with any failure allowed, with none */
    public static function shares(): iterable
    {
        yield [14, 0, Answer::Yes, Answer::Yes];
        yield [13, 1, Answer::NotYet, Answer::NotYet];
        yield [9, 5, Answer::NotYet, Answer::NotYet];
        yield [8, 6, Answer::No, Answer::No];
        yield [23, 1, Answer::Yes, Answer::Yes];
    }

    #[DataProvider('shares')]
    public function testShareAtOneLook(int $good, int $bad, Answer $answer, Answer $strict): void
    {
        $outcomes = [...array_fill(0, $good, RunOutcome::Passed), ...array_fill(0, $bad, RunOutcome::Failed)];
        $n = $good + $bad;
        self::assertSame($answer, ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, $n, $n)->reached);
        $planned = ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, $n, $n, 0);
        self::assertSame($bad > 0, $planned->spoiled);
        self::assertSame(0 === $bad ? $strict : (Answer::No === $strict ? Answer::No : Answer::NotYet), $planned->reached);
    }

    public function testBoundsOfAShare(): void
    {
        // R: binom.test(13, 14, conf.level = .9)$conf.int
        $share = ShareAgainstRequired::of([...array_fill(0, 13, RunOutcome::Passed), RunOutcome::Failed], 0.8, Design::Fixed, 14, 14);
        self::assertEqualsWithDelta(0.7032658, $share->bounds->low ?? \NAN, 1e-7);
        self::assertEqualsWithDelta(0.9963429, $share->bounds->high ?? \NAN, 1e-7);
        self::assertNull(ShareAgainstRequired::of([], 0.8, Design::Fixed, 14, 14)->bounds);
    }

    public function testOneLookIsAnsweredEarlyWhenNothingCanChangeIt(): void
    {
        // Of 14 runs six failures refute it; the sixth may come early.
        $early = ShareAgainstRequired::of(array_map(static fn (int $passed): RunOutcome => $passed > 0 ? RunOutcome::Passed : RunOutcome::Failed, [0, 0, 0, 1, 0, 0, 0]), 0.8, Design::Fixed, 14, 14);
        self::assertSame([Answer::No, 7], [$early->reached, $early->decidedAt]);
        self::assertSame(Answer::NotYet, ShareAgainstRequired::of(array_fill(0, 13, RunOutcome::Passed), 0.8, Design::Fixed, 14, 14)->reached);
    }

    /** By 5 % of prints that were dropped, all of them failures, "yes" was false in 16 to 47 of 100. */
    public function testWhatIsOpenOrUnsaidCountsAgainstEitherAnswer(): void
    {
        foreach ([RunOutcome::Open, RunOutcome::Unsaid] as $outcome) {
            $for = ShareAgainstRequired::of([...array_fill(0, 13, RunOutcome::Passed), $outcome], 0.8, Design::Fixed, 14, 14, 0);
            self::assertSame([Answer::NotYet, 0, 1, true, false], [$for->reached, $for->failures, $for->open + $for->unsaid, $for->spoiled, $for->overspent]);
            self::assertEqualsWithDelta(0.7032658, $for->bounds->low ?? \NAN, 1e-7, 'A failure for the one bound,');
            self::assertEqualsWithDelta(1.0, $for->bounds->high ?? \NAN, 1e-12, 'a success for the other.');
            // Six failures of fourteen refute it; five with one that may have been a success do not.
            $against = ShareAgainstRequired::of([...array_fill(0, 8, RunOutcome::Passed), ...array_fill(0, 5, RunOutcome::Failed), $outcome], 0.8, Design::Fixed, 14, 14);
            self::assertSame(Answer::NotYet, $against->reached);
            // It takes its place among the looks: the fourteenth run is not looked at any more.
            $late = ShareAgainstRequired::of([$outcome, ...array_fill(0, 14, RunOutcome::Passed)], 0.8, Design::Fixed, 14, 14);
            self::assertSame([Answer::NotYet, 14], [$late->reached, $late->runs]);
        }
    }

    /** @param list<float> $pulls */
    private static function pulls(array $pulls, float $limit, bool $atLeast = true): ValueAgainstLimit
    {
        return ValueAgainstLimit::of(self::values($pulls), $limit, $atLeast, PullRule::Mean, Design::Fixed, \count($pulls), \count($pulls));
    }

    /**
     * @param list<float> $pulls
     *
     * @return list<UnitValue>
     */
    private static function values(array $pulls, float $step = 0.0): array
    {
        return array_map(static fn (float $pull): UnitValue => new UnitValue($pull, false, $step), $pulls);
    }
}
