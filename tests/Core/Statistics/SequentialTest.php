<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Statistics\ShapiroWilk;
use Sitzplatz\Statistics\StudentizedRange;
use Sitzplatz\Statistics\StudentT;

/** Looking after every reading, tolerance bounds, even scatter, and grades; against R 4.2.2 unless another source is named. */
final class SequentialTest extends TestCase
{
    private const Z90 = 1.2815515655446004;

    /** @return iterable<array{int, float}> n, k: R: qt(.95, n-1, ncp=qnorm(.9)*sqrt(n))/sqrt(n); NIST/SEMATECH handbook 7.2.6.3 for the method */
    public static function toleranceFactors(): iterable
    {
        yield [3, 6.155281];
        yield [4, 4.161933];
        yield [5, 3.406633];
        yield [6, 3.006257];
        yield [10, 2.35464];
        yield [20, 1.925991];
    }

    /** Royston (1995, from memory): from three values on, to five thousand. */
    public function testNormalityIsAskedOfThreeToFiveThousand(): void
    {
        $of = static fn (int $n): ShapiroWilk => ShapiroWilk::of(new Sample(array_map(static fn (int $i): float => sin($i) + $i / $n, range(1, $n))));
        self::assertGreaterThan(0.7, $of(3)->w);
        self::assertGreaterThan(0.7, $of(5_000)->w);
        foreach ([2, 5_001] as $n) {
            try {
                $of($n);
                self::fail((string) $n);
            } catch (InvalidArgument $e) {
                self::assertSame('too_few', $e->reason);
            }
        }
    }

    #[DataProvider('toleranceFactors')]
    public function testToleranceFactors(int $n, float $k): void
    {
        self::assertEqualsWithDelta($k, (new NoncentralT($n - 1, Normal::quantile(0.9) * sqrt($n)))->quantile(0.95) / sqrt($n), 5e-7);
    }

    public function testNoncentralTIsStudentsWithoutAShift(): void
    {
        foreach ([2.0, 5.0, 30.0] as $df) {
            self::assertEqualsWithDelta((new StudentT($df))->cdf(1.3), (new NoncentralT($df, 0))->cdf(1.3), 1e-9);
        }
        // R: pt(2, 4, ncp = 1.5)
        self::assertEqualsWithDelta(0.61892893, (new NoncentralT(4, 1.5))->cdf(2), 1e-6);
        $this->expectException(InvalidArgument::class);
        (new NoncentralT(0, 1))->cdf(1);
    }

    public function testTwoLooksAreExact(): void
    {
        // R: the first from qt, the second from integrate() over the uniform law of the sum over the norm of three
        // readings and the angle of the fourth; error 0.05·(3/4)^1.2 spent at the first.
        $bounds = SequentialT::upperBounds(4, 0.05);
        self::assertEqualsWithDelta(3.555466, $bounds[3], 1e-5);
        self::assertEqualsWithDelta(2.960337, $bounds[4], 3e-5);
    }

    public function testChancesOfManyLooks(): void
    {
        // R: 5 million paths of 14 readings against these bounds, both sides stopping; the standard error is 0.0002.
        $upper = SequentialT::upperBounds(14, 0.05);
        $lower = array_map(static fn (float $t): float => -$t, $upper);
        foreach ([[0.0, 0.0499374, 0.0499052, 13.42792], [0.5, 0.4491546, 0.0028666, 11.92816], [1.0, 0.9333528, 0.0002314, 8.471729]] as [$delta, $up, $down, $runs]) {
            $chances = SequentialT::chances($delta, $upper, $lower);
            self::assertEqualsWithDelta($up, array_sum(array_column($chances, 'above')), 7e-4, "δ $delta");
            self::assertEqualsWithDelta($down, array_sum(array_column($chances, 'below')), 7e-4);
            $expected = 14.0;
            foreach ($chances as $k => $chance) {
                $expected -= (14 - $k) * ($chance['above'] + $chance['below']);
            }
            self::assertEqualsWithDelta($runs, $expected, 0.01);
        }
    }

    public function testBoundsOfWhatNineInTenExceed(): void
    {
        // R: the same simulation with the mean 1.2816 sd above the limit, 10 readings at most.
        $upper = SequentialT::upperBounds(10, 0.05, self::Z90);
        $lower = array_map(static fn (float $t): float => -$t, SequentialT::upperBounds(10, 0.05, -self::Z90));
        $atLimit = SequentialT::chances(self::Z90, $upper, $lower);
        self::assertEqualsWithDelta(0.0499224, array_sum(array_column($atLimit, 'above')), 7e-4);
        self::assertEqualsWithDelta(0.0499406, array_sum(array_column($atLimit, 'below')), 7e-4);
        self::assertEqualsWithDelta(0.724148, array_sum(array_column(SequentialT::chances(3.0, $upper, $lower), 'above')), 1e-3);
    }

    public function testTheErrorIsSpentToTheLastLook(): void
    {
        foreach ([3, 8, 24, 60] as $most) {
            $bounds = SequentialT::upperBounds($most, 0.05);
            self::assertSame(range(3, $most), array_keys($bounds));
            self::assertEqualsWithDelta(0.05, array_sum(array_column(SequentialT::chances(0.0, $bounds), 'above')), 1e-6);
            foreach (\array_slice($bounds, 1, null, true) as $k => $bound) {
                self::assertLessThan($bounds[$k - 1], $bound, 'A later look asks for less.');
            }
        }
        $this->expectException(InvalidArgument::class);
        SequentialT::upperBounds(2, 0.05);
    }

    public function testSharesAtOneLook(): void
    {
        // R: pbinom(a, n, 0.2) ≤ 0.05 and pbinom(b - 1, n, 0.2, lower.tail = FALSE) ≤ 0.05
        foreach ([[11, -1, 6], [14, 0, 6], [22, 1, 9], [24, 1, 9], [32, 2, 11]] as [$n, $a, $b]) {
            $looks = SequentialShare::once($n, 0.8, 0.05);
            self::assertSame([$n => $a], $looks->mostForYes);
            self::assertSame([$n => $b], $looks->fewestForNo);
        }
        // 29 without a failure show nine in ten: success-run theorem.
        self::assertSame([-1, 0], [SequentialShare::once(28, 0.9, 0.05)->mostForYes[28], SequentialShare::once(29, 0.9, 0.05)->mostForYes[29]]);
        // R: pbinom(0, 14, 0.05)
        self::assertEqualsWithDelta(0.487675, SequentialShare::once(14, 0.8, 0.05)->chances(0.95)[14]['yes'], 1e-6);
    }

    public function testSharesLookedAtAfterEachRunKeepTheError(): void
    {
        foreach ([0.6, 0.8, 0.9, 0.95] as $required) {
            foreach ([4, 10, 18, 32, 60] as $most) {
                $chances = SequentialShare::afterEach($most, $required, 0.05)->chances($required);
                self::assertLessThanOrEqual(0.05 + 1e-9, array_sum(array_column($chances, 'yes')));
                self::assertLessThanOrEqual(0.05 + 1e-9, array_sum(array_column($chances, 'no')));
            }
        }
        // By hand: 0.8^15 = 0.0352 is the first below 0.05·(k/18)^1.2.
        $looks = SequentialShare::afterEach(18, 0.8, 0.05);
        self::assertSame([-1, 0], [$looks->mostForYes[14], $looks->mostForYes[15]]);
        // By hand: three in three, 0.008, is more than 0.05·(3/18)^1.2 = 0.0058 may spend; four in four, 0.0016, is not.
        self::assertSame([4, 4], [$looks->fewestForNo[3], $looks->fewestForNo[4]]);
        self::assertSame([0, 0], [$looks->allowing(0)->mostForYes[18], SequentialShare::afterEach(18, 0.8, 0.05)->allowing(0)->mostForYes[15]]);
    }

    /** @return iterable<array{list<float>, float, float}> R: shapiro.test */
    public static function scatters(): iterable
    {
        yield [[1, 2, 4], 0.9642857143, 0.6368868450];
        yield [[1, 2, 4, 9], 0.8946862708, 0.4051472112];
        yield [[3, 5, 4, 6, 20], 0.7038833807, 0.0105108466];
        yield [[148, 154, 158, 160, 161, 162, 166, 170, 182, 195, 236], 0.7888146948, 0.0067038141];
        // R: shapiro.test(PlantGrowth$weight[1:20])
        yield [[4.17, 5.58, 5.18, 6.11, 4.50, 4.61, 5.17, 4.53, 5.33, 5.14, 4.81, 4.17, 4.41, 3.59, 5.87, 3.83, 6.03, 4.89, 4.32, 4.69], 0.9731094840, 0.8187029716];
    }

    /** @param list<float> $values */
    #[DataProvider('scatters')]
    public function testShapiroWilk(array $values, float $w, float $p): void
    {
        $test = ShapiroWilk::of(new Sample($values));
        self::assertEqualsWithDelta($w, $test->w, 1e-9);
        self::assertEqualsWithDelta($p, $test->p, 1e-8);
    }

    public function testRankSums(): void
    {
        // R: all arrangements by combn(), mid-ranks by rank(), two-sided about the middle.
        foreach ([[[0, 1, 1, 2], [2, 2, 3], 0.9166666667, 0.1142857143], [[0, 0, 1, 1, 1, 2], [1, 2, 2, 2, 3, 2], 0.875, 0.0454545455]] as [$a, $b, $higher, $p]) {
            $ranks = RankSum::of($a, $b);
            self::assertEqualsWithDelta($higher, $ranks->higher, 1e-9);
            self::assertEqualsWithDelta($p, $ranks->p, 1e-9);
            self::assertEqualsWithDelta(1 - $higher, RankSum::of($b, $a)->higher, 1e-9);
        }
        self::assertEqualsWithDelta(1.0, RankSum::of([1, 1], [1, 1])->p, 1e-12);
    }

    public function testEqualReadingsHaveNoSpread(): void
    {
        $sample = new Sample([0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1]);
        self::assertEqualsWithDelta(0.0, $sample->sd, 0.0);
        self::assertEqualsWithDelta(0.1, $sample->mean, 0.0);
        // NIST StRD, NumAcc3 [mem]: 1000000.2 and then .1 and .3 in turn, 1001 in all: mean 1000000.2, sd 0.1.
        $values = [1000000.2];
        for ($i = 0; $i < 500; ++$i) {
            array_push($values, 1000000.1, 1000000.3);
        }
        self::assertEqualsWithDelta(0.1, (new Sample($values))->sd, 1e-10);
    }

    public function testStudentizedRangeBelowTwoDegreesOfFreedom(): void
    {
        foreach ([0.5, 1.0, 1.2, 1.5, 1.9] as $df) {
            foreach ([1.0, 4.0, 12.0, 50.0] as $q) {
                // Of two groups it is √2·|t|.
                $exact = (new StudentT($df))->twoSidedP($q / \M_SQRT2);
                self::assertEqualsWithDelta(1.0, (new StudentizedRange(2, $df))->upperP($q) / $exact, 1e-6);
            }
        }
    }
}
