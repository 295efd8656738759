<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SimulatedCell;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\PullRule;

/** What a cell of the simulation is, where that is known without chance; how often it is wrong is asked by {@see SimulationTest}. */
final class SimulatedCellTest extends TestCase
{
    /** A share of one: every run holds, or comes off by hand; fourteen of fourteen show four in five, and no fewer do. */
    public function testWhereEveryRunPassesTheAnswerIsYesAtTheFourteenth(): void
    {
        foreach ([true, false] as $hold) {
            self::assertSame(
                ['yes' => 1, 'false_yes' => 0.0, 'false_no' => 0, 'not_yet' => 0, 'mean_runs' => 14],
                (new SimulatedCell(Criterion::Counts, 14, 0.2, null, false, Design::Fixed, $hold))->simulate(12, 1),
            );
            $thirteen = (new SimulatedCell(Criterion::Counts, 13, 0.2, null, true, Design::Fixed, $hold))->simulate(12, 1);
            self::assertSame([0, 1, 13], [$thirteen['yes'], $thirteen['not_yet'], $thirteen['mean_runs']]);
        }
    }

    /** A share of none: nothing holds, or all of it wants the scraper; a "no" is no mistake there, and a "yes" would be. */
    public function testWhereNoRunPassesTheAnswerIsNo(): void
    {
        foreach ([true, false] as $hold) {
            $cell = (new SimulatedCell(Criterion::Counts, 14, -0.8, null, true, Design::Adaptive, $hold))->simulate(12, 1);
            self::assertSame([0, 0, 0.0, 0], [$cell['yes'], $cell['false_yes'], $cell['false_no'], $cell['not_yet']]);
            // R: pbinom(0, n, 0.8) <= 0.05 from n = 2 on; spent over all looks it takes a few more.
            self::assertGreaterThanOrEqual(2, $cell['mean_runs']);
            self::assertLessThan(7, $cell['mean_runs']);
        }
    }

    /** Eight spreads to either side of the limit nothing is left to chance. */
    public function testFarFromTheLimitEveryCriterionAnswersRightly(): void
    {
        foreach ([Criterion::WithoutLaw, Criterion::MiddleOfLogs, Criterion::Mean, Criterion::NearlyAll] as $criterion) {
            foreach ([true, false] as $hold) {
                $good = (new SimulatedCell($criterion, 6, 8.0, Scatter::Normal, false, Design::Fixed, $hold))->simulate(12, 3);
                self::assertGreaterThan(0.8, $good['yes'], $criterion->value);
                self::assertSame([0.0, 0, 6], [$good['false_yes'], $good['false_no'], $good['mean_runs']], $criterion->value);
                $bad = (new SimulatedCell($criterion, 6, -8.0, Scatter::Normal, false, Design::Fixed, $hold))->simulate(12, 3);
                self::assertSame([0, 0.0], [$bad['yes'], $bad['false_no']], $criterion->value);
                self::assertLessThan(0.2, $bad['not_yet'], $criterion->value);
            }
        }
    }

    /** At the limit either answer is wrong. */
    public function testAtTheLimitEachAnswerIsAMistake(): void
    {
        $cell = (new SimulatedCell(Criterion::WithoutLaw, 5, 0.0, Scatter::Normal, false, Design::Fixed))->simulate(400, 2);
        self::assertSame($cell['yes'], $cell['false_yes']);
        // R: dbinom(5, 5, 0.5) = 0.03125 each way; three standard errors of 400.
        self::assertEqualsWithDelta([0.03125, 0.03125], [$cell['false_yes'], $cell['false_no']], 0.026);
    }

    public function testWhatTheScreenClaimsIsWhatTheRuleCanKeep(): void
    {
        $claimed = static fn (Criterion $criterion, int $runs = 5, Design $design = Design::Fixed, bool $hold = true): array => array_values(array_map(
            static fn (Scatter $each): string => $each->value,
            array_filter(Scatter::cases(), static fn (Scatter $each): bool => (new SimulatedCell($criterion, $runs, 0.0, $each, false, $design, $hold))->claimed()),
        ));
        $without = static fn (Scatter ...$none): array => array_values(array_map(static fn (Scatter $each): string => $each->value, array_filter(Scatter::cases(), static fn (Scatter $each): bool => !\in_array($each, $none, true))));
        $only = static fn (Scatter ...$some): array => $without(...array_filter(Scatter::cases(), static fn (Scatter $each): bool => !\in_array($each, $some, true)));
        self::assertSame($without(Scatter::Visits), $claimed(Criterion::WithoutLaw));
        self::assertSame($without(Scatter::Visits), $claimed(Criterion::WithoutLaw, 16));
        self::assertSame($only(Scatter::RightSkewed), $claimed(Criterion::MiddleOfLogs));
        self::assertSame($only(Scatter::Normal, Scatter::Coarse, Scatter::Capped, Scatter::Visits, Scatter::Weibull), $claimed(Criterion::Mean));
        self::assertSame($only(Scatter::Normal, Scatter::Coarse, Scatter::Capped, Scatter::Visits), $claimed(Criterion::Mean, design: Design::Adaptive));
        self::assertSame($only(Scatter::Normal, Scatter::Coarse, Scatter::Weibull, Scatter::Capped), $claimed(Criterion::NearlyAll));
        self::assertTrue((new SimulatedCell(Criterion::Counts, 14, 0.0, null, true, Design::Adaptive))->claimed());
        self::assertSame([PullRule::Middle, PullRule::Share, null], array_map(
            static fn (SimulatedCell $each): ?PullRule => $each->rule(),
            [new SimulatedCell(Criterion::WithoutLaw, 5, 0.0, Scatter::Normal, false, Design::Fixed), new SimulatedCell(Criterion::WithoutLaw, 14, 0.0, Scatter::Normal, false, Design::Fixed), new SimulatedCell(Criterion::Counts, 14, 0.0, null, false, Design::Fixed)],
        ));
        self::assertSame([10, 13], [(new SimulatedCell(Criterion::Mean, 10, 0.0, Scatter::Normal, false, Design::Fixed))->mostRuns(), (new SimulatedCell(Criterion::Mean, 10, 0.0, Scatter::Normal, true, Design::Adaptive))->mostRuns()]);
    }

    /** Two runs between which the plate stays on, half of their variance between the visits: what a bench does in a morning. */
    public function testAVisitIsTwoRuns(): void
    {
        self::assertSame(2, Scatter::RUNS_A_VISIT);
    }
}
