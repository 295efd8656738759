<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\Sample;

/** What intervals and plans promise, reckoned out exactly or simulated with a fixed seed. */
final class CoverageTest extends TestCase
{
    public function testAHeldRateIsCoveredAtLeastAsOftenAsStatedWhateverItIs(): void
    {
        foreach ([3, 8, 12] as $n) {
            for ($rate = 0.02; $rate < 1; $rate += 0.04) {
                $covered = 0.0;
                for ($k = 0; $k <= $n; ++$k) {
                    $interval = ClopperPearson::interval($k, $n);
                    if ($interval->low <= $rate && $rate <= $interval->high) {
                        $covered += self::binomial($n, $k, $rate);
                    }
                }
                self::assertGreaterThanOrEqual(0.95, $covered, "n = $n, rate $rate");
            }
        }
    }

    public function testAPlanLetsTooFewGoodSetupsThroughRatherThanABadOne(): void
    {
        foreach ([[0.8, 0.9, 0], [0.9, 0.9, 0], [0.9, 0.95, 1], [0.95, 0.95, 1]] as [$reliability, $confidence, $allowed]) {
            $n = (new AcceptancePlan($reliability, $confidence, $allowed))->runsNeeded;
            $accepts = static fn (int $runs): float => array_sum(array_map(
                static fn (int $failed): float => self::binomial($runs, $failed, 1 - $reliability),
                range(0, $allowed),
            ));
            self::assertLessThanOrEqual(1 - $confidence + 1e-12, $accepts($n), 'A setup that is just too unreliable is accepted too often.');
            self::assertGreaterThan(1 - $confidence, $accepts($n - 1), 'One run fewer would not do.');
        }
    }

    public function testTheBoundOfAMeanCoversAsStated(): void
    {
        $random = self::random(2024);
        $below = 0;
        $trials = 4000;
        for ($i = 0; $i < $trials; ++$i) {
            $sample = new Sample(array_map(static fn (): float => 30 + 4 * $random(), range(1, 6)));
            $below += ($sample->interval(0.9)->low ?? \INF) <= 30 ? 1 : 0;
        }
        // Four standard errors either way.
        self::assertEqualsWithDelta(0.95, $below / $trials, 4 * sqrt(0.95 * 0.05 / $trials));
    }

    public function testFalseAlarmsOfPairsAtSmallSamplesAreAsKnown(): void
    {
        // References: 3 groups of 4 with sd 4:1 raise false alarms in about 7 % at a nominal 5 %.
        $random = self::random(7);
        $alarms = 0;
        $trials = 700;
        for ($i = 0; $i < $trials; ++$i) {
            $groups = array_map(static fn (float $sd): Sample => new Sample(array_map(static fn (): float => $sd * $random(), range(1, 4))), [4.0, 1.0, 1.0]);
            $ps = array_map(static fn (array $pair): float => GamesHowell::pair($groups[$pair[0]], $groups[$pair[1]], 3)->p, [[0, 1], [0, 2], [1, 2]]);
            $alarms += min($ps) < 0.05 ? 1 : 0;
        }
        self::assertGreaterThan(0.045, $alarms / $trials);
        self::assertLessThan(0.105, $alarms / $trials);
    }

    private static function binomial(int $n, int $k, float $p): float
    {
        $ways = 1.0;
        for ($i = 1; $i <= $k; ++$i) {
            $ways *= ($n - $k + $i) / $i;
        }

        return $ways * $p ** $k * (1 - $p) ** ($n - $k);
    }

    /** @return \Closure(): float standard normal numbers (Box & Muller 1958) */
    private static function random(int $seed): \Closure
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $uniform = static fn (): float => ($random->getInt(0, 2 ** 31 - 2) + 0.5) / 2 ** 31;

        return static fn (): float => sqrt(-2 * log($uniform())) * cos(2 * \M_PI * $uniform());
    }
}
