<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\FurtherFigures;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;

/** What stands beside the means, against R 4.2.2. */
final class BeyondMeansTest extends TestCase
{
    /** R: a <- rep(0:3, c(9, 12, 7, 3)); b <- rep(0:3, c(4, 10, 9, 7)); wilcox.test(a, b, exact = FALSE); kruskal.test(list(a, b)) */
    public function testEffortsAreComparedByTheirGradesCountedOutWhereTheyAreFew(): void
    {
        $many = self::figures([9, 12, 7, 3], [4, 10, 9, 7])['effort'];
        self::assertSame('rank_sum_normal', $many['pairs'][0]['method'], 'Sixty-one.');
        self::assertEqualsWithDelta([0.0515998966, 3.81800674, 0.05070452367], [$many['pairs'][0]['p'], $many['kruskal']['statistic'], $many['kruskal']['p']], 1e-8);
        self::assertSame([[9, 12, 7, 3, 0], [4, 10, 9, 7, 0]], array_column($many['setups'], 'counts'));
        $few = self::figures([8, 12, 7, 3], [4, 10, 9, 7])['effort'];
        self::assertSame('rank_sum_exact', $few['pairs'][0]['method'], 'Sixty.');
        self::assertSame($few['pairs'][0]['p'], $few['pairs'][0]['p_holm'], 'One pair is not one of several.');
        self::assertSame([], self::figures([], [])['effort']['pairs']);
    }

    /** R: fisher.test(matrix(c(9, 1, 4, 6), 2))$p.value and so on, p.adjust(…, "holm") of the three, and of all in one table. */
    public function testHeldOrNotIsToldByExactTests(): void
    {
        $held = static fn (string $name, int $held, int $of): SetupRecord => new SetupRecord($name, array_map(static fn (int $i): array => [new Reading(Measure::Held, $i < $held ? 1 : 0)], range(0, $of - 1)));
        $records = [$held('A', 9, 10), $held('B', 4, 10), $held('C', 10, 10)];
        $figures = FurtherFigures::of(ComparisonJudgement::of($records), $records, null)['held'];
        self::assertEqualsWithDelta([0.0572755417957, 1.0, 0.0108359133127], array_column($figures['pairs'], 'p'), 1e-9);
        self::assertEqualsWithDelta([0.114551083591, 1.0, 0.0325077399381], array_column($figures['pairs'], 'p_holm'), 1e-9);
        self::assertEqualsWithDelta(0.00636604774536, $figures['fisher']['p'], 1e-9);
    }

    /** R: two one-sided Welch tests against 3, the larger p. */
    public function testAlikeIsAskedOnlyWithAMargin(): void
    {
        $pulls = static fn (string $name, float ...$pulls): SetupRecord => new SetupRecord($name, array_values(array_map(static fn (float $pull): array => [new Reading(Measure::PullCold, $pull)], $pulls)));
        $records = [$pulls('A', 30.1, 31.2, 28.4, 33.0, 29.9), $pulls('B', 29.5, 30.8, 31.9, 28.7, 30.2), $pulls('C', 30.0)];
        $of = static fn (?float $margin): array => FurtherFigures::of(ComparisonJudgement::of($records), $records, $margin)['measures']['pull_cold'];
        self::assertArrayNotHasKey('equivalence', $of(null));
        $alike = $of(3.0)['equivalence'];
        self::assertEqualsWithDelta(0.0114916801362, $alike[0]['p'], 1e-9);
        self::assertSame([true, null, null], array_column($alike, 'equivalent'), 'One reading is no sample.');
        self::assertFalse($of(0.5)['equivalence'][0]['equivalent']);
    }

    /**
     * @param list<int> $a how many came off with each effort, the easiest first
     * @param list<int> $b
     *
     * @return array<string, mixed>
     */
    private static function figures(array $a, array $b): array
    {
        $record = static function (string $name, array $counts): SetupRecord {
            $runs = [];
            foreach ($counts as $grade => $count) {
                array_push($runs, ...array_fill(0, $count, [new Reading(Measure::Effort, $grade)]));
            }

            return new SetupRecord($name, $runs);
        };
        $records = [$record('A', $a), $record('B', $b)];

        return FurtherFigures::of(ComparisonJudgement::of($records), $records, null);
    }
}
