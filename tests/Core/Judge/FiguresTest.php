<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\NextRun;
use Sitzplatz\Judge\OpenSetup;
use Sitzplatz\Judge\Outlook;
use Sitzplatz\Judge\PassedSetup;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Judge\Rungs;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\SetupToUse;
use Sitzplatz\Judge\SimulatedCell;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Tests\Core\HoldsFigures;

/** Verdicts, outlooks and next runs of many seeded comparisons. */
final class FiguresTest extends TestCase
{
    use HoldsFigures;

    public function testJudgementsStayAsTheyAre(): void
    {
        $figures = [];
        foreach (Criterion::cases() as $criterion) {
            foreach (Design::cases() as $design) {
                foreach ([6, 13] as $runs) {
                    $plan = new ProofPlan(new Limits(20, 12, Effort::Flex, 6 === $runs ? 0.3 : null, LiftBy::WorstEnd), $criterion, 0.8, 13 === $runs ? 1 : 0, $design, $runs, intdiv($runs, 2) + 1, $runs);
                    $name = "$criterion->value $design->value $runs";
                    $figures += self::comparison($name, $plan, $runs);
                }
            }
        }
        self::hold('judge', $figures);
    }

    public function testPlansStayAsTheyAre(): void
    {
        $figures = [];
        foreach (Criterion::cases() as $criterion) {
            foreach (Design::cases() as $design) {
                $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.85, 1, $design, 16, 8, 8);
                foreach ([true, false] as $hold) {
                    $figures["$criterion->value $design->value ".($hold ? 'holds' : 'lets go')] = PlanChance::table($plan, $hold);
                }
                $figures["$criterion->value $design->value warnings"] = PlanChance::warnings(new ProofPlan($plan->limits, $criterion, 0.95, 0, $design, 5, 3, 2));
            }
            $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), $criterion, 0.85, 0, Design::Fixed, 40, 20, 20);
            $rule = $plan->pullRule(true);
            $figures["$criterion->value pulls"] = null === $rule ? [] : [PlanChance::good($rule), PlanChance::fewestPulls($rule, $plan, 2.5), SimulatedCell::distanceForPower($criterion, 7)];
        }
        self::hold('plan', $figures);
    }

    public function testScattersStayAsTheyAre(): void
    {
        $figures = [];
        foreach (Scatter::cases() as $scatter) {
            $random = new Randomizer(new Xoshiro256StarStar(5));
            $figures[$scatter->value] = [$scatter->quantile(0.1), $scatter->quantile(0.8), $scatter->mean(), array_map(static fn (): float => $scatter->draw($random), range(1, 12))];
        }
        foreach ([
            [Criterion::Mean, Scatter::Normal, 1.5, Design::Adaptive],
            [Criterion::NearlyAll, Scatter::WeakLink, 3.0, Design::Fixed],
            [Criterion::NearlyAll, Scatter::Coarse, 3.0, Design::Adaptive],
            [Criterion::Mean, Scatter::RightSkewed, 0.8, Design::Fixed],
            [Criterion::Mean, Scatter::Visits, 0.8, Design::Adaptive],
            [Criterion::WithoutLaw, Scatter::LeftSkewed, 0.4, Design::Adaptive],
            [Criterion::WithoutLaw, Scatter::Visits, -0.4, Design::Fixed],
            [Criterion::MiddleOfLogs, Scatter::Capped, 0.8, Design::Fixed],
            [Criterion::Counts, null, 0.1, Design::Adaptive],
        ] as $i => [$criterion, $scatter, $truth, $design]) {
            foreach ([true, false] as $hold) {
                $cell = new SimulatedCell($criterion, 12, $truth, $scatter, Design::Adaptive === $design, $design, $hold);
                $figures["cell $i ".($hold ? 'hold' : 'release')] = [$cell->simulate(25, 3), $cell->mostRuns(), $cell->claimed()];
            }
        }
        self::hold('scatter', $figures);
    }

    /** @return array<string, mixed> */
    private static function comparison(string $name, ProofPlan $plan, int $runs): array
    {
        $figures = $records = $open = $passed = [];
        foreach ([[34.0, 4.0, 5.0], [24.0, 3.0, 11.0], [19.0, 6.0, 9.0], [40.0, 9.0, 14.0]] as $i => [$hot, $sd, $cold]) {
            $random = new Randomizer(new Xoshiro256StarStar(100 * $runs + $i));
            $done = [];
            for ($k = 0; $k < $runs + 2 * $i; ++$k) {
                $held = Scatter::share($random) < 0.97 - 0.05 * $i;
                $run = [new Reading(Measure::Held, $held ? 1 : 0), new Reading(Measure::Lift, abs(0.15 * Scatter::normal($random))), new Reading(Measure::Lift, abs(0.2 * Scatter::normal($random)))];
                $pull = abs($hot + $sd * Scatter::normal($random));
                if ($held && 0 === $k % 2) {
                    $run[] = new Reading(Measure::PullHot, 3 === $i ? min(45.0, $pull) : round($pull, 1), 3 === $i && $pull > 45, 0.1);
                } elseif ($held) {
                    array_push(
                        $run,
                        new Reading(Measure::PullCold, abs($cold + 1.5 * Scatter::normal($random)), step: 0.5),
                        new Reading(Measure::Effort, min(4, (int) (1 + $i * Scatter::share($random)))),
                        new Reading(Measure::Damage, 2 === $i && 7 === $k ? 1 : 0),
                        new Reading(Measure::ReleaseTemperature, 38 + 3 * Scatter::normal($random)),
                    );
                }
                $done[] = $run;
            }
            $record = new SetupRecord("S$i", $done, 1 === $i ? array_map(static fn (int $k): string => 'v'.intdiv($k, 2), array_keys($done)) : null);
            $judgement = SetupJudgement::of($record, $plan);
            $inPlan = Outlook::inPlan($record, $plan, $judgement);
            $newPlan = 0 === $i ? Outlook::inNewPlan($record, $plan) : null;
            $figures["$name S$i"] = [
                $judgement->verdict, $judgement->runsLeft, $judgement->hold->answer, $judgement->hold->reasons, $judgement->release->answer, $judgement->release->reasons,
                $judgement->words($inPlan, $newPlan), $judgement->against(0.9, 0.2), $inPlan, $newPlan, $record->count(Measure::PullHot, 25.0), $judgement->release->share->unsaid,
                $record->lifts(LiftBy::WorstEnd),
            ];
            $records[] = $record;
            $open[] = new OpenSetup("S$i", $record, $judgement, 'p'.($i % 2), 0);
            $passed[] = new PassedSetup("S$i", $record->efforts(), 0 === $i, 60.0 + $i, 1 === $i ? null : 0.1 * $i);
        }
        foreach ([true, false] as $ladder) {
            $figures["$name next".($ladder ? ' of a ladder' : '')] = NextRun::among($open, $plan, new RunDurations(4, 8, 25, 20, 5, 6), $ladder ? Rungs::Ladder : Rungs::None, 'p1');
        }
        $figures["$name compared"] = ComparisonJudgement::of($records, LiftBy::MeanOfEnds)->toArray(400.0);
        $figures["$name to use"] = SetupToUse::among($passed);

        return $figures;
    }
}
