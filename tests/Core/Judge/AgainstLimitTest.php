<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\ShareAgainstRequired;
use Sitzplatz\Judge\UnitValue;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;

/** Pulls against a limit and shares against what is required; the bounds are those of R 4.2.2. */
final class AgainstLimitTest extends TestCase
{
    private const SIX = [31.2, 28.4, 33.9, 30.1, 27.2, 34.0];

    /** @return iterable<string, array{list<float>, float, float, float, Answer}> readings, limit, bounds (mean ± qt(.95, n-1)*sd/sqrt(n)), answer */
    public static function means(): iterable
    {
        yield 'clears' => [[24, 25, 24.5], 20, 23.6570727695765, 25.3429272304235, Answer::Yes];
        yield 'clears with spread' => [[31, 33, 29, 30, 35, 28], 20, 28.8548171935423, 33.1451828064577, Answer::Yes];
        yield 'misses' => [[11, 12, 11.5], 20, 10.6570727695765, 12.3429272304235, Answer::No];
        yield 'around it' => [[19, 22, 20.5], 20, 17.9712183087294, 23.0287816912706, Answer::NotYet];
        yield 'above it, but scattered' => [[35, 18, 25], 20, 11.5960531724626, 40.4039468275374, Answer::NotYet];
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

    public function testNothingIsSaidBeforeThePlannedLookNorByRunsBeyondIt(): void
    {
        $before = ValueAgainstLimit::of(self::values([31.0, 32.0, 33.0]), 20, true, Criterion::Mean, Design::Fixed, 4, 4);
        self::assertSame([Answer::NotYet, null], [$before->clears, $before->lower]);
        $beyond = ValueAgainstLimit::of(self::values([19.0, 22.0, 20.5, 60.0, 61.0, 62.0]), 20, true, Criterion::Mean, Design::Fixed, 3, 3);
        self::assertSame([Answer::NotYet, 3], [$beyond->clears, $beyond->n]);
    }

    public function testAfterEachRunItIsDecidedAtTheFirstLookThatShowsIt(): void
    {
        $judge = static fn (array $pulls): ValueAgainstLimit => ValueAgainstLimit::of(self::values(array_map(floatval(...), array_values($pulls))), 20, true, Criterion::Mean, Design::Adaptive, 10, 13);
        $pulls = [30.0, 31.5, 29.2, 31.0, 28.8];
        $at = $judge($pulls)->decidedAt;
        self::assertNotNull($at);
        self::assertSame(Answer::NotYet, $judge(\array_slice($pulls, 0, $at - 1))->clears);
        // It stands, whatever comes after.
        self::assertSame([Answer::Yes, $at], [$judge([...$pulls, 1.0, 2.0, 3.0])->clears, $judge([...$pulls, 1.0, 2.0, 3.0])->decidedAt]);
    }

    public function testNearlyAllTakesTheToleranceBound(): void
    {
        // R: mean(x) - k*sd(x), k = qt(.95, 5, ncp = qnorm(.9)*sqrt(6))/sqrt(6), and with qt(.05, …)
        $judged = ValueAgainstLimit::of(self::values(self::SIX), 22, true, Criterion::NearlyAll, Design::Fixed, 6, 6);
        self::assertSame(Answer::Yes, $judged->clears);
        self::assertEqualsWithDelta(22.38033, $judged->lower ?? \NAN, 1e-5);
        self::assertEqualsWithDelta(29.19009, $judged->upper ?? \NAN, 1e-5);
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of(self::values(self::SIX), 25, true, Criterion::NearlyAll, Design::Fixed, 6, 6)->clears);
        self::assertSame(Answer::No, ValueAgainstLimit::of(self::values(self::SIX), 30, true, Criterion::NearlyAll, Design::Fixed, 6, 6)->clears);
    }

    public function testAScaleTakesHalfItsStepOffTheBound(): void
    {
        $fine = self::pulls([22.0, 22.0, 23.0], 20);
        $coarse = ValueAgainstLimit::of(self::values([22.0, 22.0, 23.0], 1.0), 20, true, Criterion::Mean, Design::Fixed, 3, 3);
        self::assertEqualsWithDelta(($fine->lower ?? \NAN) - 0.5, $coarse->lower ?? \NAN, 1e-12);
        self::assertEqualsWithDelta(($fine->upper ?? \NAN) + 0.5, $coarse->upper ?? \NAN, 1e-12);
        // Equal readings in steps of 1 N have at least the spread that the step hides: 1/√12; R: 22 - 0.5 - qt(.95, 2)/sqrt(12)/sqrt(3).
        $equal = ValueAgainstLimit::of(self::values([22.0, 22.0, 22.0], 1.0), 20, true, Criterion::Mean, Design::Fixed, 3, 3);
        self::assertEqualsWithDelta(21.01333574, $equal->lower ?? \NAN, 1e-7);
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of(self::values([21.0, 21.0, 21.0], 1.0), 20.2, true, Criterion::Mean, Design::Fixed, 3, 3)->clears);
    }

    public function testLowerBoundsSettleWhatTheyCan(): void
    {
        $topped = [new UnitValue(60, true), new UnitValue(60, true), new UnitValue(58), new UnitValue(60, true)];
        self::assertSame(Answer::Yes, ValueAgainstLimit::of($topped, 20, true, Criterion::Mean, Design::Fixed, 4, 4)->clears, 'Hot, it clears its limit all the more.');
        self::assertSame(Answer::No, ValueAgainstLimit::of($topped, 12, false, Criterion::Mean, Design::Fixed, 4, 4)->clears, 'Cold, it is above its limit all the more.');
        $low = [new UnitValue(5, true), new UnitValue(5.2), new UnitValue(5.1)];
        $cold = ValueAgainstLimit::of($low, 12, false, Criterion::Mean, Design::Fixed, 3, 3);
        self::assertSame([Answer::NotYet, null], [$cold->clears, $cold->upper], 'What was read "at least" may be anything above.');
        self::assertSame(Answer::NotYet, ValueAgainstLimit::of($low, 20, true, Criterion::Mean, Design::Fixed, 3, 3)->clears);
        // Nearly all is counted then: 29 that clear it show nine in ten, 28 do not.
        $many = static fn (int $n): ValueAgainstLimit => ValueAgainstLimit::of(array_fill(0, $n, new UnitValue(30, true)), 20, true, Criterion::NearlyAll, Design::Fixed, $n, $n);
        self::assertSame([Answer::Yes, Answer::NotYet], [$many(29)->clears, $many(28)->clears]);
    }

    public function testWeakLinksAreNotHiddenInAMean(): void
    {
        $weak = [40.1, 41.2, 39.5, 40.8, 40.3, 39.9, 40.6, 41.0, 22.0, 23.1];
        $judged = self::pulls($weak, 25);
        self::assertSame([Answer::NotYet, true, 8], [$judged->clears, $judged->uneven, $judged->clearing]);
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
        $outcomes = [...array_fill(0, $good, true), ...array_fill(0, $bad, false)];
        $n = $good + $bad;
        self::assertSame($answer, ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, $n, $n)->reached);
        $planned = ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, $n, $n, 0);
        self::assertSame($bad > 0, $planned->spoiled);
        self::assertSame(0 === $bad ? $strict : (Answer::No === $strict ? Answer::No : Answer::NotYet), $planned->reached);
    }

    public function testBoundsOfAShare(): void
    {
        // R: binom.test(13, 14, conf.level = .9)$conf.int
        $share = ShareAgainstRequired::of([...array_fill(0, 13, true), false], 0.8, Design::Fixed, 14, 14);
        self::assertEqualsWithDelta(0.7032658, $share->bounds->low ?? \NAN, 1e-7);
        self::assertEqualsWithDelta(0.9963429, $share->bounds->high ?? \NAN, 1e-7);
        self::assertNull(ShareAgainstRequired::of([], 0.8, Design::Fixed, 14, 14)->bounds);
    }

    public function testOneLookIsAnsweredEarlyWhenNothingCanChangeIt(): void
    {
        // Of 14 runs six failures refute it; the sixth may come early.
        $early = ShareAgainstRequired::of([false, false, false, true, false, false, false], 0.8, Design::Fixed, 14, 14);
        self::assertSame([Answer::No, 7], [$early->reached, $early->decidedAt]);
        self::assertSame(Answer::NotYet, ShareAgainstRequired::of(array_fill(0, 13, true), 0.8, Design::Fixed, 14, 14)->reached);
    }

    public function testAnOpenLowerBoundIsNeitherSuccessNorFailure(): void
    {
        $outcomes = [...array_fill(0, 13, true), null];
        $share = ShareAgainstRequired::of($outcomes, 0.8, Design::Fixed, 14, 14);
        self::assertSame([Answer::NotYet, 0, 1], [$share->reached, $share->failures, $share->unsettled]);
        self::assertEqualsWithDelta(1.0, $share->bounds->high ?? \NAN, 1e-12);
    }

    /** @param list<float> $pulls */
    private static function pulls(array $pulls, float $limit, bool $atLeast = true): ValueAgainstLimit
    {
        return ValueAgainstLimit::of(self::values($pulls), $limit, $atLeast, Criterion::Mean, Design::Fixed, \count($pulls), \count($pulls));
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
