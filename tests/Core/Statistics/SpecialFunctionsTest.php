<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Internal\SpecialFunctions;
use Sitzplatz\Statistics\Root;
use Sitzplatz\Statistics\StudentT;

/** The special functions that all distributions rest on, over their whole range, against R 4.2.2. */
final class SpecialFunctionsTest extends TestCase
{
    /** @return iterable<array{float, float}> */
    public static function normal(): iterable
    {
        // R: pnorm(z)
        yield [-30.0, 4.9067139271481872e-198];
        yield [-8.2, 1.2019351542735859e-16];
        yield [-5.7, 5.9903714010635279e-09];
        yield [-3.0, 0.0013498980316300946];
        yield [-1.5, 0.066807201268858071];
        yield [-0.6, 0.27425311775007361];
        yield [-0.2, 0.42074029056089696];
        yield [0.0, 0.5];
        yield [0.3, 0.61791142218895267];
        yield [1.0, 0.84134474606854293];
        yield [2.5, 0.99379033467422384];
        yield [5.0, 0.99999971334842808];
        yield [40.0, 1.0];
        yield [-40.0, 0.0];
    }

    #[DataProvider('normal')]
    public function testNormalTail(float $z, float $expected): void
    {
        self::assertEqualsWithDelta($expected, SpecialFunctions::normalCdf($z), 1e-13 * $expected + 1e-300);
    }

    /** @return iterable<array{float, float}> */
    public static function gamma(): iterable
    {
        // R: lgamma(x)
        yield [0.1, 2.252712651734206];
        yield [0.5, 0.57236494292470008];
        yield [1.0, 0.0];
        yield [2.5, 0.28468287047291918];
        yield [10.0, 12.801827480081469];
        yield [100.5, 361.43554046777757];
        yield [1e4, 82099.717496442376];
    }

    #[DataProvider('gamma')]
    public function testLnGamma(float $x, float $expected): void
    {
        self::assertEqualsWithDelta($expected, SpecialFunctions::lnGamma($x), 1e-13 * max(1.0, abs($expected)));
    }

    /** @return iterable<array{float, float, float}> */
    public static function derivatives(): iterable
    {
        // R: digamma(x), trigamma(x)
        yield [0.05, -20.4978449912998713, 401.532357342115];
        yield [0.4, -2.5613845445851164, 7.27535659052960];
        yield [1.0, -0.5772156649015323, 1.64493406684823];
        yield [1.5, 0.0364899739785769, 0.934802200544679];
        yield [3.7, 1.1671535393615113, 0.310037857670038];
        yield [25.0, 3.1987425128519740, 0.0408106632572256];
        yield [300.0, 5.7021148820646372, 0.00333889506171468];
    }

    #[DataProvider('derivatives')]
    public function testTheDerivativesOfLnGamma(float $x, float $digamma, float $trigamma): void
    {
        self::assertEqualsWithDelta($digamma, SpecialFunctions::digamma($x), 1e-8 * max(1.0, abs($digamma)));
        self::assertEqualsWithDelta($trigamma, SpecialFunctions::trigamma($x), 1e-6 * max(1.0, abs($trigamma)));
    }

    /** @return iterable<array{float, float, float, float}> */
    public static function beta(): iterable
    {
        // R: pbeta(x, a, b)
        yield [0.01, 0.5, 0.5, 0.06376856085851984];
        yield [0.3, 2.0, 5.0, 0.57982500000000015];
        yield [0.999, 10.0, 0.5, 0.8888967091248603];
        yield [0.5, 300.0, 310.0, 0.65732518251491634];
        yield [1e-6, 1.5, 20.0, 6.8535194593600769e-08];
        yield [0.0, 2.0, 3.0, 0.0];
        yield [1.0, 2.0, 3.0, 1.0];
    }

    #[DataProvider('beta')]
    public function testIncompleteBeta(float $x, float $a, float $b, float $expected): void
    {
        self::assertEqualsWithDelta($expected, SpecialFunctions::incompleteBeta($x, $a, $b), 1e-11 * max($expected, 1e-10));
        self::assertEqualsWithDelta(1 - $expected, SpecialFunctions::incompleteBeta(1 - $x, $b, $a), 1e-11);
    }

    /** @return iterable<array{float, float, float}> */
    public static function upperGamma(): iterable
    {
        // R: pgamma(x, a, lower.tail = FALSE)
        yield [0.5, 0.1, 0.65472084601857694];
        yield [0.5, 8.0, 6.3342483666239808e-05];
        yield [3.0, 2.0, 0.6766764161830634];
        yield [10.0, 25.0, 0.0002214766382487836];
        yield [100.0, 90.0, 0.84177901081356976];
        yield [4.0, 0.0, 1.0];
    }

    #[DataProvider('upperGamma')]
    public function testUpperIncompleteGamma(float $a, float $x, float $expected): void
    {
        self::assertEqualsWithDelta($expected, SpecialFunctions::upperIncompleteGamma($a, $x), 1e-11 * $expected);
    }

    public function testTheRootOfAFunction(): void
    {
        // The Dottie number, cos x = x, to 16 digits (OEIS A003957, from memory).
        self::assertEqualsWithDelta(0.7390851332151607, Root::between(static fn (float $x): float => cos($x) - $x, 0, 1), 1e-15);
        self::assertEqualsWithDelta(2 ** (1 / 3), Root::between(static fn (float $x): float => $x ** 3 - 2, 0, 100), 1e-15);
        self::assertEqualsWithDelta(3.0, Root::between(static fn (float $x): float => $x - 3, 3, 9), 0);
    }

    /** @return iterable<array{float, float, float}> */
    public static function studentQuantiles(): iterable
    {
        // R: qt(p, df)
        yield [0.025, 1.0, -12.706204736174707];
        yield [0.9, 3.3, 1.5983669585600853];
        yield [0.995, 29.0, 2.7563859036706049];
        yield [0.975, 1000.0, 1.9623390808264076];
    }

    #[DataProvider('studentQuantiles')]
    public function testStudentQuantiles(float $p, float $df, float $expected): void
    {
        self::assertEqualsWithDelta($expected, (new StudentT($df))->quantile($p), 1e-11 * abs($expected));
        self::assertEqualsWithDelta($p, (new StudentT($df))->cdf($expected), 1e-12);
    }

    /** @return iterable<array{float, float, float, float}> */
    public static function betaQuantiles(): iterable
    {
        // R: qbeta(p, a, b), at the grades of practice
        yield [0.05, 9.5, 0.5, 0.81263433593968304];
        yield [0.95, 7.0, 3.0, 0.90225318656072429];
        yield [0.5, 2.0, 8.0, 0.179619611980361];
        // and of beliefs that are worth next to nothing, or a great deal
        yield [0.95, 0.0274, 37.29, 0.00262716650245446];
        yield [0.05, 0.02, 0.035, 5.48519192591416e-56];
        yield [0.05, 0.3, 0.3, 0.000328386266409858];
        yield [0.999999, 136.3, 10.26, 0.990413434570772];
        yield [0.5, 400.0, 600.0, 0.399933307335131];
        yield [0.95, 731.5, 12.25, 0.990394369788232];
    }

    #[DataProvider('betaQuantiles')]
    public function testBetaQuantiles(float $p, float $a, float $b, float $expected): void
    {
        self::assertEqualsWithDelta($expected, (new Beta($a, $b))->quantile($p), 1e-12 * $expected);
        self::assertEqualsWithDelta($p, (new Beta($a, $b))->cdf($expected), 1e-12);
    }
}
