<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Statistics\BernoulliCusum;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Binomial;
use Sitzplatz\Statistics\ChiSquared;
use Sitzplatz\Statistics\Equivalence;
use Sitzplatz\Statistics\FisherF;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\SelfStartingCusum;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Statistics\StudentizedRange;
use Sitzplatz\Statistics\StudentT;

/** Distributions against R 4.2.2; the call that gave a value stands beside it. */
final class DistributionsTest extends TestCase
{
    public function testStudentT(): void
    {
        // R: qt(0.975, 10)
        self::assertEqualsWithDelta(2.228138852, (new StudentT(10))->quantile(0.975), 1e-9);
        // R: qt(0.95, 2.5)
        self::assertEqualsWithDelta(2.558218614, (new StudentT(2.5))->quantile(0.95), 1e-9);
        // R: 2 * pt(-1.860813467, 17.77647352), the p of t.test on the dataset sleep
        self::assertEqualsWithDelta(0.07939414019, (new StudentT(17.77647352))->twoSidedP(-1.860813467), 1e-9);
        self::assertEqualsWithDelta(-(new StudentT(7))->quantile(0.9), (new StudentT(7))->quantile(0.1), 1e-12);
    }

    public function testFisherF(): void
    {
        // R: qf(0.95, 3, 20)
        self::assertEqualsWithDelta(3.098391212, (new FisherF(3, 20))->quantile(0.95), 1e-9);
        // R: pf(4.84609, 2, 27, lower.tail = FALSE), the p of aov on PlantGrowth
        self::assertEqualsWithDelta(0.01591, (new FisherF(2, 27))->upperP(4.84609), 5e-6);
        self::assertSame(1.0, (new FisherF(2, 27))->upperP(-1));
    }

    public function testChiSquared(): void
    {
        // R: pchisq(5, 3, lower.tail = FALSE)
        self::assertEqualsWithDelta(0.1717971443, (new ChiSquared(3))->upperP(5), 1e-10);
        // R: survdiff on aml, chi-squared 3.39639 with 1 df
        self::assertEqualsWithDelta(0.06534, (new ChiSquared(1))->upperP(3.39639), 5e-6);
        self::assertSame(1.0, (new ChiSquared(2))->upperP(0));
    }

    public function testBeta(): void
    {
        $beta = new Beta(17, 3);
        // R: qbeta(c(0.05, 0.5, 0.95), 17, 3)
        self::assertEqualsWithDelta(0.704197986, $beta->quantile(0.05), 1e-9);
        self::assertEqualsWithDelta(0.861728838, $beta->quantile(0.5), 1e-9);
        self::assertEqualsWithDelta(0.955535158, $beta->quantile(0.95), 1e-9);
        self::assertEqualsWithDelta(0.85, $beta->mean(), 1e-15);
    }

    public function testWholePlateIsTheMeanOfThePowerNotThePowerOfTheMean(): void
    {
        $beta = new Beta(9.5, 0.5);
        // R: integrate(function(p) p^20 * dbeta(p, 9.5, 0.5), 0, 1)$value, with absolute error < 0.00012
        self::assertEqualsWithDelta(0.5624438, $beta->allOf(20), 1.2e-4);
        // In closed form B(29.5, 0.5)/B(9.5, 0.5).
        self::assertEqualsWithDelta(exp(self::logBeta(29.5, 0.5) - self::logBeta(9.5, 0.5)), $beta->allOf(20), 1e-12);
        self::assertGreaterThan($beta->mean() ** 20, $beta->allOf(20));
        self::assertEqualsWithDelta($beta->mean(), $beta->allOf(1), 1e-15);
    }

    public function testBinomial(): void
    {
        // R: pbinom(1, 38, 0.1) and pbinom(1, 37, 0.1)
        self::assertEqualsWithDelta(0.0953, (new Binomial(38, 0.1))->cdf(1), 5e-5);
        self::assertGreaterThan(0.1, (new Binomial(37, 0.1))->cdf(1));
        self::assertSame(1.0, (new Binomial(3, 0.2))->cdf(3));
        self::assertSame(0.0, (new Binomial(3, 0.2))->cdf(-1));
    }

    /** @return iterable<array{int, float, float, float}> */
    public static function ranges(): iterable
    {
        // Roots of R's ptukey; R's own qtukey stops at 1e-4.
        yield [3, 10, 0.95, 3.87677675];
        yield [4, 20, 0.95, 3.95829356];
        yield [6, 30, 0.99, 5.24182605];
    }

    #[DataProvider('ranges')]
    public function testStudentizedRangeQuantile(int $groups, float $df, float $p, float $expected): void
    {
        self::assertEqualsWithDelta($expected, (new StudentizedRange($groups, $df))->quantile($p), 1e-8);
    }

    /** @return iterable<array{int, float, float}> */
    public static function upperTails(): iterable
    {
        // R: ptukey(4, groups, df, lower.tail = FALSE)
        yield [5, 2.2, 0.278798843992355];
        yield [3, 500, 0.0134707004039039];
        yield [8, 4, 0.291605364657194];
        yield [20, 3, 0.53476865443399];
    }

    #[DataProvider('upperTails')]
    public function testStudentizedRangeUpperTail(int $groups, float $df, float $expected): void
    {
        self::assertEqualsWithDelta($expected, (new StudentizedRange($groups, $df))->upperP(4), 3e-8);
    }

    public function testStudentizedRangeOfTwoIsStudentT(): void
    {
        // R: ptukey(3.5, 3, 10, lower.tail = FALSE)
        self::assertEqualsWithDelta(0.07710331084, (new StudentizedRange(3, 10))->upperP(3.5), 1e-10);
        // Of two groups it is √2·|t|: an identity, sharper than R at few degrees of freedom.
        foreach ([1.0, 2.0, 7.5, 60.0] as $df) {
            self::assertEqualsWithDelta((new StudentT($df))->twoSidedP(3 / \M_SQRT2), (new StudentizedRange(2, $df))->upperP(3), 1e-6);
        }
    }

    /** @return iterable<array{\Closure(): mixed}> */
    public static function impossible(): iterable
    {
        yield [static fn () => new StudentT(0)];
        yield [static fn () => (new StudentT(3))->quantile(1)];
        yield [static fn () => new FisherF(1, -1)];
        yield [static fn () => (new FisherF(1, 1))->quantile(0)];
        yield [static fn () => new ChiSquared(\NAN)];
        yield [static fn () => new Beta(0, 1)];
        yield [static fn () => (new Beta(1, 1))->quantile(1.2)];
        yield [static fn () => (new Beta(1, 1))->with(3, -1)];
        yield [static fn () => new Binomial(-1, 0.5)];
        yield [static fn () => new Binomial(1, 1.5)];
        yield [static fn () => new StudentizedRange(1, 5)];
        yield [static fn () => new StudentizedRange(3, 0)];
        yield [static fn () => (new StudentizedRange(3, 5))->quantile(1)];
        // What is no number is refused as well, and also by the optimizer that the app runs with: it makes a <= b of !(a > b).
        yield [static fn () => new StudentT(\NAN)];
        yield [static fn () => (new StudentT(3))->quantile(\NAN)];
        yield [static fn () => new FisherF(\NAN, 3)];
        yield [static fn () => (new FisherF(1, 1))->quantile(\NAN)];
        yield [static fn () => new Beta(1, \NAN)];
        yield [static fn () => (new Beta(1, 1))->quantile(\NAN)];
        yield [static fn () => new Binomial(3, \NAN)];
        yield [static fn () => new StudentizedRange(3, \NAN)];
        yield [static fn () => (new StudentizedRange(3, 5))->quantile(\NAN)];
        yield [static fn () => new NoncentralT(\NAN, 1)];
        yield [static fn () => (new NoncentralT(3, 1))->quantile(\NAN)];
        yield [static fn () => Normal::quantile(\NAN)];
        yield [static fn () => BernoulliCusum::of([true], \NAN, 0.5, 3)];
        yield [static fn () => Equivalence::p(new Sample([1.0, 2.0]), new Sample([1.0, 3.0]), \NAN)];
        yield [static fn () => SelfStartingCusum::of(3, 1, \NAN, [], true, 3)];
        yield [static fn () => SequentialShare::once(10, \NAN, 0.05)];
        yield [static fn () => SequentialT::upperBounds(6, \NAN)];
        yield [static fn () => new AcceptancePlan(\NAN, 0.9, 0)];
    }

    /** @param \Closure(): mixed $ask */
    #[DataProvider('impossible')]
    public function testWhatIsNotDefinedIsRefused(\Closure $ask): void
    {
        $this->expectException(InvalidArgument::class);
        $ask();
    }

    /** ln B(a, b) by its integral over t = sin², independent of the code under test. */
    private static function logBeta(float $a, float $b): float
    {
        $sum = 0.0;
        $steps = 200_000;
        for ($i = 0; $i < $steps; ++$i) {
            $x = (\M_PI / 2) * ($i + 0.5) / $steps;
            $sum += sin($x) ** (2 * $a - 1) * cos($x) ** (2 * $b - 1);
        }

        return log(2 * $sum * (\M_PI / 2) / $steps);
    }
}
