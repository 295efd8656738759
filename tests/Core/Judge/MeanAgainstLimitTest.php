<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\MeanAgainstLimit;
use Sitzplatz\Statistics\Sample;

/**
 * One-sided 95 % bounds of a mean against a limit, and the readings still needed, against R 4.2.2:
 * m <- mean(x); t <- qt(.95, n-1)*sd(x)/sqrt(n); the smallest k > n with qt(.95, k-1)*sd(x)/sqrt(k) <= abs(m - limit).
 */
final class MeanAgainstLimitTest extends TestCase
{
    /** @return iterable<string, array{list<float>, float, float, float, Answer, ?int}> readings, limit, bounds, answer, further readings */
    public static function samples(): iterable
    {
        yield 'clears' => [[24, 25, 24.5], 20, 23.6570727695765, 25.3429272304235, Answer::Yes, null];
        yield 'clears with spread' => [[31, 33, 29, 30, 35, 28], 20, 28.8548171935423, 33.1451828064577, Answer::Yes, null];
        yield 'misses' => [[11, 12, 11.5], 20, 10.6570727695765, 12.3429272304235, Answer::No, null];
        yield 'a release that stays below' => [[5, 6, 5.5, 5.2, 6.1], 12, 5.09979752763669, 6.02020247236331, Answer::No, null];
        yield 'around it' => [[19, 22, 20.5], 20, 17.9712183087294, 23.0287816912706, Answer::NotYet, 24];
        yield 'above it, but scattered' => [[35, 18, 25], 20, 11.5960531724626, 40.4039468275374, Answer::NotYet, 5];
        yield 'steady, and nearly on it' => [[20, 20.2, 19.9, 20.1], 20, 19.8980910434907, 20.2019089565093, Answer::NotYet, 16];
        yield 'two far apart' => [[12, 26], 20, -25.1962606027253, 63.1962606027253, Answer::NotYet, null];
    }

    /** @param list<float> $readings */
    #[DataProvider('samples')]
    public function testBoundsAnswerAndWhatIsStillNeeded(array $readings, float $limit, float $low, float $high, Answer $answer, ?int $more): void
    {
        $mean = MeanAgainstLimit::of(new Sample($readings), $limit);
        self::assertSame($answer, $mean->above);
        self::assertEqualsWithDelta($low, $mean->lowerBound ?? \NAN, 1e-12);
        self::assertEqualsWithDelta($high, $mean->upperBound ?? \NAN, 1e-12);
        self::assertSame($more, $mean->moreReadings);
    }

    public function testALimitThatIsJustReachedIsReached(): void
    {
        $sample = new Sample([24.0, 25.0, 24.5]);
        self::assertSame(Answer::Yes, MeanAgainstLimit::of($sample, (float) $sample->lowerBound())->above);
        self::assertSame(Answer::NotYet, MeanAgainstLimit::of($sample, (float) $sample->lowerBound() + 1e-9)->above);
        self::assertSame(Answer::NotYet, MeanAgainstLimit::of($sample, (float) $sample->upperBound())->above);
        self::assertSame(Answer::No, MeanAgainstLimit::of($sample, (float) $sample->upperBound() + 1e-9)->above);
    }

    public function testReadingsWithoutAnySpreadNeedNoMore(): void
    {
        self::assertSame(Answer::Yes, MeanAgainstLimit::of(new Sample([20.0, 20.0]), 20)->above);
        self::assertSame(Answer::No, MeanAgainstLimit::of(new Sample([19.5, 19.5]), 20)->above);
    }

    public function testTwoReadingsAreTheLeast(): void
    {
        self::assertSame([Answer::NotYet, 2], [MeanAgainstLimit::of(new Sample([]), 20)->above, MeanAgainstLimit::of(new Sample([]), 20)->moreReadings]);
        self::assertSame(1, MeanAgainstLimit::of(new Sample([99.0]), 20)->moreReadings);
        self::assertNull(MeanAgainstLimit::of(new Sample([99.0]), 20)->lowerBound);
    }
}
