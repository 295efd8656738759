<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\WelchOneWay;

/** Tests and intervals against R 4.2.2 on datasets that ship with it. */
final class ComparisonsTest extends TestCase
{
    /** R's dataset PlantGrowth (dried weight of plants; Dobson 1983, table 7.1). */
    private const PLANT_GROWTH = [
        'ctrl' => [4.17, 5.58, 5.18, 6.11, 4.50, 4.61, 5.17, 4.53, 5.33, 5.14],
        'trt1' => [4.81, 4.17, 4.41, 3.59, 5.87, 3.83, 6.03, 4.89, 4.32, 4.69],
        'trt2' => [6.31, 5.12, 5.54, 5.50, 5.37, 5.29, 4.92, 6.15, 5.80, 5.26],
    ];

    /** R's dataset sleep (extra hours of sleep; Cushny & Peebles 1905, used by Student 1908). */
    private const SLEEP = [
        [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0],
        [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4],
    ];

    public function testWelchOneWay(): void
    {
        $welch = WelchOneWay::of(array_map(static fn (array $v) => new Sample($v), array_values(self::PLANT_GROWTH)));
        // R: oneway.test(weight ~ group, PlantGrowth)
        self::assertEqualsWithDelta(5.180972408, $welch->statistic, 1e-9);
        self::assertSame(2.0, $welch->df1);
        self::assertEqualsWithDelta(17.12841862, $welch->df2, 1e-8);
        self::assertEqualsWithDelta(0.01739282149, $welch->p, 1e-11);
    }

    public function testWelchOfTwoIsWelchT(): void
    {
        $welch = WelchOneWay::of([new Sample(self::SLEEP[0]), new Sample(self::SLEEP[1])]);
        // R: t.test(extra ~ group, sleep): t −1.860813467, df 17.77647352, p 0.07939414019
        self::assertEqualsWithDelta(1.860813467 ** 2, $welch->statistic, 1e-8);
        self::assertEqualsWithDelta(17.77647352, $welch->df2, 1e-8);
        self::assertEqualsWithDelta(0.07939414019, $welch->p, 1e-10);
    }

    public function testGamesHowell(): void
    {
        $pair = GamesHowell::pair(new Sample(self::PLANT_GROWTH['trt1']), new Sample(self::PLANT_GROWTH['trt2']), 3);
        // R: by definition, with ptukey
        self::assertEqualsWithDelta(0.865, $pair->difference, 1e-12);
        self::assertEqualsWithDelta(14.1035691228, $pair->df, 1e-10);
        self::assertEqualsWithDelta(0.0237034547392, $pair->p, 1e-10);
        self::assertEqualsWithDelta(0.1135129887, $pair->interval->low, 1e-9);
        self::assertEqualsWithDelta(1.6164870113, $pair->interval->high, 1e-9);
    }

    public function testGamesHowellOfTwoIsWelchT(): void
    {
        $pair = GamesHowell::pair(new Sample(self::SLEEP[1]), new Sample(self::SLEEP[0]), 2);
        // R: t.test(extra ~ group, sleep), CI −3.3654832307 … 0.2054832307
        self::assertEqualsWithDelta(-3.3654832307, $pair->interval->low, 1e-8);
        self::assertEqualsWithDelta(0.2054832307, $pair->interval->high, 1e-8);
        self::assertEqualsWithDelta(0.07939414019, $pair->p, 1e-9);
    }

    public function testSample(): void
    {
        $sample = new Sample(self::SLEEP[0]);
        // R: t.test(sleep$extra[1:10]): mean 0.75, CI −0.5297804 … 2.0297804; sd 1.78901
        self::assertEqualsWithDelta(0.75, (float) $sample->mean, 1e-12);
        self::assertEqualsWithDelta(1.78901, (float) $sample->sd, 5e-6);
        self::assertEqualsWithDelta(-0.5297804, $sample->interval()->low ?? \NAN, 5e-8);
        self::assertEqualsWithDelta(2.0297804, $sample->interval()->high ?? \NAN, 5e-8);
        // R: t.test(..., alternative = "greater")$conf.int[1] = −0.2870553
        self::assertEqualsWithDelta(-0.2870553, $sample->interval(0.9)->low ?? \NAN, 5e-8);
        self::assertEqualsWithDelta(1.7870553, $sample->interval(0.9)->high ?? \NAN, 5e-8);
    }

    public function testTooFewReadingsGiveNoFigure(): void
    {
        self::assertNull((new Sample([]))->mean);
        self::assertNull((new Sample([3.0]))->sd);
        self::assertNull((new Sample([3.0]))->interval());
    }

    /** @return iterable<array{int, int, float, float}> */
    public static function rates(): iterable
    {
        // R: binom.test(x, n)$conf.int; 682 of 925 is the example of Conover (1971) in its manual page
        yield [9, 10, 0.5549838830, 0.9974714215];
        yield [0, 10, 0.0, 0.3084971078];
        yield [10, 10, 1 - 0.3084971078, 1.0];
        yield [682, 925, 0.7076682641, 0.7654065582];
    }

    #[DataProvider('rates')]
    public function testClopperPearson(int $successes, int $trials, float $low, float $high): void
    {
        $interval = ClopperPearson::interval($successes, $trials);
        self::assertEqualsWithDelta($low, $interval->low, 1e-10);
        self::assertEqualsWithDelta($high, $interval->high, 1e-10);
    }

    /** @return iterable<array{\Closure(): mixed}> */
    public static function impossible(): iterable
    {
        yield [static fn () => ClopperPearson::interval(3, 2)];
        yield [static fn () => ClopperPearson::interval(0, 0)];
        yield [static fn () => WelchOneWay::of([new Sample([1.0, 2.0])])];
        yield [static fn () => WelchOneWay::of([new Sample([1.0, 2.0]), new Sample([1.0])])];
        yield [static fn () => WelchOneWay::of([new Sample([1.0, 2.0]), new Sample([2.0, 2.0])])];
        yield [static fn () => GamesHowell::pair(new Sample([1.0]), new Sample([2.0, 3.0]), 2)];
        yield [static fn () => GamesHowell::pair(new Sample([1.0, 1.0]), new Sample([2.0, 2.0]), 2)];
    }

    /** @param \Closure(): mixed $ask */
    #[DataProvider('impossible')]
    public function testWhatIsNotDefinedIsRefused(\Closure $ask): void
    {
        $this->expectException(InvalidArgument::class);
        $ask();
    }
}
