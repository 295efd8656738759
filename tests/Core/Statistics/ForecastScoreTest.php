<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;

final class ForecastScoreTest extends TestCase
{
    /** R 4.2: p <- c(.95,.9,.8,.7,.65,.55,.3,.2,.85,.5); y <- c(1,1,1,0,1,1,0,0,1,0); mean((p-y)^2), mean(y)*(1-mean(y)). */
    public function testTheScoreOfBrier(): void
    {
        $score = self::score([[0.95, 1], [0.9, 1], [0.8, 1], [0.7, 0], [0.65, 1], [0.55, 1], [0.3, 0], [0.2, 0], [0.85, 1], [0.5, 0]]);
        self::assertSame([10, 6], [$score?->n, $score?->happened]);
        self::assertEqualsWithDelta([0.127, 0.24], [$score?->brier, $score?->baseRateBrier], 1e-9);
    }

    /** R 4.2: binom.test(9, 12)$conf.int. */
    public function testBinsSayHowOftenItCameTrue(): void
    {
        $forecasts = [];
        for ($i = 0; $i < 12; ++$i) {
            $forecasts[] = [0.7 + 0.005 * $i, $i < 9 ? 1 : 0];
        }
        $bin = self::score([...$forecasts, [1.0, 1], [0.0, 0]])->bins ?? [];
        self::assertSame([[0.0, 1, 0], [0.7, 12, 9], [0.9, 1, 1]], array_map(static fn ($each): array => [round($each->low, 9), $each->n, $each->happened], $bin), 'The surest are in the last bin.');
        self::assertEqualsWithDelta(0.7275, $bin[1]->said, 1e-9);
        self::assertEqualsWithDelta([0.428141538, 0.945139355], $bin[1]->interval->toArray(), 1e-6);
    }

    public function testWithoutForecastsThereIsNoScore(): void
    {
        self::assertNull(ForecastScore::of([]));
    }

    /** @param list<array{float, int}> $forecasts */
    private static function score(array $forecasts): ?ForecastScore
    {
        return ForecastScore::of(array_map(static fn (array $each): Forecast => new Forecast($each[0], 1 === $each[1]), $forecasts));
    }
}
