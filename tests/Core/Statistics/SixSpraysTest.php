<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\WelchOneWay;

/** Six groups with very unequal spreads: R's dataset InsectSprays (Beall 1942), against R 4.2.2. */
final class SixSpraysTest extends TestCase
{
    private const SPRAYS = [
        'A' => [10, 7, 20, 14, 14, 12, 10, 23, 17, 20, 14, 13],
        'B' => [11, 17, 21, 11, 16, 14, 17, 17, 19, 21, 7, 13],
        'C' => [0, 1, 7, 2, 3, 1, 2, 1, 3, 0, 1, 4],
        'D' => [3, 5, 12, 6, 4, 3, 5, 5, 5, 5, 2, 4],
        'E' => [3, 5, 3, 5, 3, 6, 1, 1, 3, 2, 6, 4],
        'F' => [11, 9, 15, 22, 15, 16, 13, 10, 26, 26, 24, 13],
    ];

    public function testWelchOneWay(): void
    {
        $welch = WelchOneWay::of(array_map(self::sample(...), array_keys(self::SPRAYS)));
        // R: oneway.test(count ~ spray, InsectSprays)
        self::assertEqualsWithDelta(36.065443893577253, $welch->statistic, 1e-11);
        self::assertSame(5.0, $welch->df1);
        self::assertEqualsWithDelta(30.04256050876738, $welch->df2, 1e-11);
        self::assertEqualsWithDelta(7.9993794556733478e-12, $welch->p, 1e-20);
    }

    /** @return iterable<array{string, string, float, float, float}> */
    public static function pairs(): iterable
    {
        // R: by definition, with ptukey(…, 6, df, lower.tail = FALSE)
        yield ['A', 'B', 0.83333333333333393, 21.784430812659465, 0.99724823414505637];
        yield ['A', 'C', -12.416666666666666, 14.739011598050251, 6.5921963122717031e-06];
        yield ['C', 'F', 14.583333333333334, 13.200835154063315, 3.4209378176885963e-05];
        yield ['D', 'E', -1.416666666666667, 19.569571035212817, 0.60059525348618781];
    }

    #[DataProvider('pairs')]
    public function testGamesHowell(string $a, string $b, float $difference, float $df, float $p): void
    {
        $pair = GamesHowell::pair(self::sample($a), self::sample($b), 6);
        self::assertEqualsWithDelta($difference, $pair->difference, 1e-12);
        self::assertEqualsWithDelta($df, $pair->df, 1e-11);
        self::assertEqualsWithDelta($p, $pair->p, 1e-9);
        self::assertSame($p < 0.05, $pair->interval->low > 0 || $pair->interval->high < 0, 'Interval and p agree.');
        $turned = GamesHowell::pair(self::sample($b), self::sample($a), 6);
        self::assertEqualsWithDelta(-$pair->interval->high, $turned->interval->low, 1e-12);
    }

    /** @return iterable<array{int, int, float, float}> */
    public static function rates(): iterable
    {
        // R: binom.test(x, n)$conf.int, at the counts of a bench
        yield [0, 3, 0.0, 0.70759822617871326];
        yield [1, 3, 0.0084037586596126413, 0.9057006759497539];
        yield [12, 12, 0.73535153060294889, 1.0];
        yield [11, 12, 0.61520383484905594, 0.99789240676813973];
        yield [29, 59, 0.35891272780053229, 0.62501745026502364];
    }

    #[DataProvider('rates')]
    public function testHeldRates(int $held, int $runs, float $low, float $high): void
    {
        $interval = ClopperPearson::interval($held, $runs);
        self::assertEqualsWithDelta($low, $interval->low, 1e-12);
        self::assertEqualsWithDelta($high, $interval->high, 1e-12);
    }

    private static function sample(string $spray): Sample
    {
        return new Sample(array_map(floatval(...), self::SPRAYS[$spray]));
    }
}
