<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Binomial;
use Sitzplatz\Statistics\ChiSquared;
use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\ErrorSpending;
use Sitzplatz\Statistics\FisherF;
use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Statistics\ShapiroWilk;
use Sitzplatz\Statistics\StudentizedRange;
use Sitzplatz\Statistics\StudentT;
use Sitzplatz\Statistics\WelchOneWay;
use Sitzplatz\Tests\Core\HoldsFigures;

/** The distributions and tests over wide grids; single points are held against R beside this. */
final class FiguresTest extends TestCase
{
    use HoldsFigures;

    public function testTheyStayAsTheyAre(): void
    {
        $figures = [];
        foreach ([1e-8, 0.002, 0.04, 0.3, 0.5, 0.77, 0.975, 0.9995, 1 - 1e-9] as $p) {
            foreach ([[0.5, 9.5], [7.0, 3.0], [1.0, 1.0], [120.0, 4.5], [0.2, 0.3], [3000.0, 2500.0]] as [$a, $b]) {
                $beta = new Beta($a, $b);
                $x = $beta->quantile($p);
                $figures["beta $a $b $p"] = [$x, $beta->cdf($x), $beta->cdf($p)];
            }
            foreach ([1.0, 2.5, 9.0, 60.0, 900.0] as $df) {
                $figures["t f chi $df $p"] = [
                    (new StudentT($df))->quantile($p), (new StudentT($df))->twoSidedP(6 * $p), (new FisherF($df, 7.0))->quantile($p),
                    (new FisherF(3.0, $df))->upperP(9 * $p), (new ChiSquared($df))->upperP(2 * $df * $p),
                ];
                if ($p > 0.001 && $p < 0.999) {
                    foreach ([-2.0, 0.4, 6.0, 30.0] as $shift) {
                        $noncentral = new NoncentralT($df, $shift);
                        $figures["noncentral $df $shift $p"] = [$noncentral->quantile($p), $noncentral->cdf($shift * 2 * $p)];
                    }
                }
            }
            $figures["normal $p"] = [Normal::quantile($p), Normal::cdf(-8 + 16 * $p)];
        }
        foreach ([[2, 3.0], [3, 12.0], [5, 40.0], [8, 500.0]] as [$groups, $df]) {
            $range = new StudentizedRange($groups, $df);
            $figures["range $groups $df"] = [$range->quantile(0.9), $range->quantile(0.99), $range->upperP(0.5), $range->upperP(3.4), $range->upperP(9.0)];
        }
        foreach ([[0, 5], [3, 9], [11, 11], [40, 300]] as [$k, $n]) {
            $figures["counts $k of $n"] = [ClopperPearson::interval($k, $n), ClopperPearson::interval($k, $n, 0.8), (new Binomial($n, 0.3))->cdf($k), (new Binomial($n, 0.97))->cdf($k)];
        }
        foreach ([1, 4, 9, 20] as $look) {
            $figures["spent $look"] = ErrorSpending::spent(0.05, $look, 20);
        }
        self::hold('statistics', $figures);
    }

    public function testTestsOnSamplesStayAsTheyAre(): void
    {
        $figures = [];
        foreach ([3, 4, 6, 11, 12, 25, 50, 300] as $n) {
            foreach (['even' => 1.0, 'skewed' => 2.7] as $name => $power) {
                $sample = self::sample($n, $power);
                $figures["$name $n"] = [ShapiroWilk::of($sample), $sample->interval(), $sample->interval(0.8)];
            }
        }
        $figures['rank small'] = RankSum::of([1, 2, 2, 5], [2, 3, 4, 4, 6]);
        $figures['rank large'] = RankSum::of(array_map(static fn (int $i): int => $i * $i % 5, range(1, 30)), array_map(static fn (int $i): int => $i * $i % 7, range(1, 24)));
        $figures['rank tied'] = RankSum::of([0, 0, 1], [1, 1, 1, 2, 2]);
        $figures['welch'] = WelchOneWay::of([self::sample(6), self::sample(11, 2.7), self::sample(25)]);
        $figures['howell'] = [GamesHowell::pair(self::sample(6), self::sample(11, 2.7), 4), GamesHowell::pair(self::sample(25), self::sample(6, 2.7), 3, 0.9)];
        self::hold('samples', $figures);
    }

    public function testSequentialBoundsStayAsTheyAre(): void
    {
        $figures = [];
        foreach ([[8, 0.8, 0.05], [27, 0.9, 0.05], [40, 0.7, 0.1]] as [$most, $share, $error]) {
            foreach ([0, 2] as $failures) {
                $after = SequentialShare::afterEach($most, $share, $error)->allowing($failures);
                $once = SequentialShare::once($most, $share, $error)->allowing($failures);
                $figures["share $most $share $failures"] = [$after, $after->chances(0.95), $once, $once->chances(0.6)];
            }
        }
        foreach ([[4, 0.05, 0.0], [11, 0.05, 0.0], [9, 0.05, 1.2816], [16, 0.025, 0.5]] as [$most, $error, $mean]) {
            $upper = SequentialT::upperBounds($most, $error, $mean);
            $figures["t $most $error $mean"] = [$upper, SequentialT::chances(1.1, $upper), SequentialT::chances(0.2, $upper, array_map(static fn (float $bound): float => -$bound, $upper))];
        }
        self::hold('sequential', $figures);
    }

    private static function sample(int $n, float $power = 1.0): Sample
    {
        return new Sample(array_map(static fn (int $i): float => 10 + 5 * ($i / $n) ** $power + sin(7.0 * $i), range(1, $n)));
    }
}
