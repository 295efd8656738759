<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Equivalence;
use Sitzplatz\Statistics\Fisher;
use Sitzplatz\Statistics\Holm;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\KruskalWallis;
use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Statistics\Sample;

/** Grades, counts and equivalence, against R: kruskal.test, fisher.test, p.adjust, wilcox.test, t.test. */
final class ByRanksTest extends TestCase
{
    public function testKruskalAndWallis(): void
    {
        // R's PlantGrowth (Dobson 1983).
        $plants = KruskalWallis::of([
            [4.17, 5.58, 5.18, 6.11, 4.50, 4.61, 5.17, 4.53, 5.33, 5.14],
            [4.81, 4.17, 4.41, 3.59, 5.87, 3.83, 6.03, 4.89, 4.32, 4.69],
            [6.31, 5.12, 5.54, 5.50, 5.37, 5.29, 4.92, 6.15, 5.80, 5.26],
        ]);
        self::assertEqualsWithDelta([7.98822874944, 2, 0.0184237557315], [$plants->statistic, $plants->df, $plants->p], 1e-10);
        $effort = KruskalWallis::of([[0, 1, 1, 2, 1], [2, 3, 2, 4, 3], [1, 1, 2, 2, 0]]);
        self::assertEqualsWithDelta([7.98378378378, 2, 0.0184647477474], [$effort->statistic, $effort->df, $effort->p], 1e-10);
        $this->expectException(InvalidArgument::class);
        KruskalWallis::of([[1, 1], [1, 1, 1]]);
    }

    public function testFisher(): void
    {
        self::assertEqualsWithDelta(0.485714285714, Fisher::p([[3, 4], [1, 4]]) ?? 0, 1e-11, 'Fisher and the tea.');
        self::assertEqualsWithDelta(0.0140253876857, Fisher::p([[12, 12], [6, 12], [10, 12]]) ?? 0, 1e-12);
        self::assertEqualsWithDelta(0.0137299771167, Fisher::p([[12, 12], [6, 12]]) ?? 0, 1e-12);
        self::assertEqualsWithDelta(0.478260869565, Fisher::p([[12, 12], [10, 12]]) ?? 0, 1e-11);
        self::assertEqualsWithDelta(1, Fisher::p([[5, 5], [9, 9]]) ?? 0, 1e-12);
        self::assertNull(Fisher::p([[500, 1000], [400, 1000], [300, 1000], [200, 1000]]), 'It would take too long.');
        self::assertLessThan(1e-9, Fisher::p([[500, 1000], [300, 1000]]) ?? 1);
    }

    public function testSeveralTakenTogether(): void
    {
        self::assertEqualsWithDelta([0.03, 0.06, 0.06, 0.02], Holm::adjusted([0.01, 0.04, 0.03, 0.005]), 1e-12);
        self::assertSame([], Holm::adjusted([]));
    }

    public function testManyGradesAreNearANormalOne(): void
    {
        $of = static fn (int $none, int $one, int $two): array => [...array_fill(0, $none, 0), ...array_fill(0, $one, 1), ...array_fill(0, $two, 2)];
        self::assertEqualsWithDelta(0.000178658579239, RankSum::nearly($of(30, 40, 20), $of(15, 40, 45))->p, 1e-12);
        self::assertEqualsWithDelta(1, RankSum::nearly([1, 1], [1, 1])->p, 1e-12);
        // Both say the same of a few.
        self::assertEqualsWithDelta(RankSum::of($of(5, 9, 2), $of(2, 8, 7))->p, RankSum::nearly($of(5, 9, 2), $of(2, 8, 7))->p, 0.02);
    }

    public function testAlikeWithinAMargin(): void
    {
        $a = new Sample([30.1, 31.2, 28.4, 33.0, 29.9]);
        $b = new Sample([29.5, 30.8, 31.9, 28.7, 30.2]);
        self::assertEqualsWithDelta(0.0114916801362, Equivalence::p($a, $b, 3), 1e-11);
        self::assertGreaterThan(0.05, Equivalence::p($a, $b, 1));
        $this->expectException(InvalidArgument::class);
        Equivalence::p($a, $b, 0);
    }
}
