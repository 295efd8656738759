<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Evidence\Conditions;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Heat\Surroundings;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\Job;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\HoldsFigures;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Warp\EdgeStress;
use Sitzplatz\Warp\FreeCurl;
use Sitzplatz\Warp\HoldMargin;
use Sitzplatz\Warp\LiftCalibration;
use Sitzplatz\Warp\Strength;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Wear\Wear;

/** What profiles, care, wear and warp say, over wide grids. */
final class FiguresTest extends TestCase
{
    use HoldsFigures;
    use ReadsTheCatalogue;

    public function testProfilesStayAsTheyAre(): void
    {
        $figures = ['usual' => AcceptancePlan::usual()];
        foreach ([[0.8, 0.9, 0], [0.9, 0.9, 1], [0.95, 0.95, 0]] as $p => [$reliability, $confidence, $failures]) {
            $plan = new AcceptancePlan($reliability, $confidence, $failures);
            $figures["plan $p"] = [$plan, $plan->words(), AcceptancePlan::inWords($reliability, $confidence, Criterion::NearlyAll, 5)];
            foreach ([0, 6, 11, 24, 60] as $runs) {
                foreach (Criterion::cases() as $criterion) {
                    $limits = new Limits(20, 12, Effort::Flex, 11 === $runs ? 0.3 : null);
                    $figures["assessed $p $runs $criterion->value"] = Assessment::of(
                        self::runs($runs),
                        $plan,
                        new ProofPlan($limits, $criterion, 0.8, 0, Design::Fixed, max(6, $runs), max(3, intdiv($runs, 2)), max(3, intdiv($runs, 2))),
                        new ScopeClaim(24 === $runs, 60 === $runs),
                    );
                }
            }
        }
        foreach ([['l1', 'P1'], [null, null]] as [$lot, $side]) {
            $scope = new Scope('pla', $lot, 'L-1', $side, 'P1 front', 'glass', 'p', 'Bay', 18.0, 24.0, null !== $lot, null === $lot ? null : 120.0, 3);
            foreach ([['l1', 'p', 20.0, true, 100.0, 1], ['l2', 'q', 17.9, false, 121.0, 4], [null, 'p', 24.1, true, null, 3]] as $j => $job) {
                $figures['scope '.($lot ?? 'any')." $j"] = $scope->check(new Job(...$job));
            }
        }
        $one = new Conditions('abs', 'l', 'p', 'f', 's', null, 93.0, 90.0, 0.4, 245.0, 0.1, 'paper');
        foreach ([[93.04, 90.0, 0.4, 0.1], [93.06, 90.0, 0.4, 0.1], [93.0, 90.0, 0.4004, 0.1004], [93.0, 90.0, 0.4, 0.1006]] as $i => [$first, $other, $nozzle, $gap]) {
            $figures["speaks $i"] = $one->speakFor(new Conditions('abs', 'l', 'p', 'f', 's', null, $first, $other, $nozzle, 245.0, $gap, 'paper'), false, false);
        }
        self::hold('keep', $figures);
    }

    public function testWearAndWarpStayAsTheyAre(): void
    {
        $figures = [];
        $stick = self::catalogue()->agent('pva_stick');
        foreach (['pei_textured', 'glass', 'carbon_laminate', 'epoxy_glass'] as $id) {
            $surface = self::catalogue()->surface($id);
            foreach ([0, 5, 9, 10, 11, 24, 150, 299, 300, 301, 420, 1200] as $prints) {
                $state = new SideState($prints % 40, $prints / 10.0, 24 === $prints ? $stick : null, $prints % 12, 0 === $prints % 2, $prints, $prints > 400 ? 2 : 0, intdiv($prints, 200));
                $figures["$id $prints"] = [
                    Wear::washIsDue($prints, $surface, null), Wear::coatIsDue($prints, $stick, $id), Wear::surfaceMayBeWorn($prints, $surface), Wear::ofPlatePerPrint(40.0, $surface), Wear::perPrint(0.0, $stick, Wear::ofACoat(9.0, 60), $id),
                    $state->worn($surface), $state->influences($surface), $state->steps($surface, null), $state->steps($surface, $stick),
                    (new CareDue(new SideHistory($prints, $prints % 13, $prints % 9, '2026-01-01', '2026-01-02', 'pva_stick', 'stick'), $stick, $surface))->sentences(),
                ];
            }
        }
        foreach (Grade::cases() as $grade) {
            $figures["strength $grade->value"] = [Strength::ofGrade($grade), $grade->share(), $grade->logOdds(), array_map(static fn (int $k) => $grade->standing($k, 10), [0, 1, 3, 5, 8, 10]), $grade->standing(4, 4)];
        }
        $groups = [['pulls' => 5, 'meanMpa' => 0.8, 'sdMpa' => 0.1], ['pulls' => 3, 'meanMpa' => 1.1, 'sdMpa' => 0.2]];
        $calibration = LiftCalibration::of([
            ['readings' => 4, 'lifted' => 4, 'sumMm' => 2.4, 'curlMm' => 1.1, 'margin' => 1.8, 'runs' => 4, 'held' => 2],
            ['readings' => 3, 'lifted' => 0, 'sumMm' => 0.1, 'curlMm' => 0.4, 'margin' => 0.7, 'runs' => 5, 'held' => 5],
        ]);
        $figures['calibrated'] = [Strength::ofPulls($groups), $calibration, $calibration?->scale()];
        foreach ([[40.0, 60.0, 0.2, 68.0, 40.0, 8.0, 3300.0], [100.0, 75.0, 0.2, 90.0, 80.0, 8.0, 2200.0], [180.0, 12.0, 0.3, 60.0, 55.0, 30.0, 2000.0]] as [$length, $layers, $height, $expansion, $driving, $width, $modulus]) {
            $curl = new FreeCurl($length, (int) $layers, $height, $expansion * 1e-6, $driving);
            $stress = new EdgeStress($expansion * 1e-6 * $driving, $length, $width, $layers * $height, $modulus, 0.8, 4.0, 0.0, true, 90.0);
            $figures["warp $length"] = [
                $curl, $stress, HoldMargin::of($stress, Strength::ofGrade(Grade::Fair)), HoldMargin::of($stress, Strength::ofGrade(Grade::Strong), 0.8, $calibration)->words(),
                Surroundings::celsius(20.0, $driving + 10, true, null), Surroundings::celsius(20.0, $driving + 10, false, null), Surroundings::celsius(20.0, null, true, 60.0),
                Surroundings::inPart(35.0, 95.0, $length, $width, $layers * $height),
            ];
        }
        self::hold('wear and warp', $figures);
    }

    /** @return list<EvidenceRun> */
    private static function runs(int $n): array
    {
        return array_map(static function (int $i) use ($n): EvidenceRun {
            $readings = [new Reading(Measure::Held, 13 === $i ? 0 : 1), new Reading(Measure::Lift, 0.05)];
            array_push($readings, ...(0 === $i % 2 ? [new Reading(Measure::PullHot, 28 + $i % 5)] : [
                new Reading(Measure::PullCold, 4 + $i % 3), new Reading(Measure::Effort, 17 === $i ? 3 : 1), new Reading(Measure::Damage, 0),
            ]));

            return new EvidenceRun("r$i", 6 === $n && 0 === $i, $readings, 'lot'.$i % 3, 'p'.$i % 4, 19 + $i % 5, 0 === $i % 7 ? null : 20 + $i, 1 + $i % 2, 0 === $i % 9, 0 === $i, 1000.0 * $i);
        }, 0 === $n ? [] : range(0, $n - 1));
    }
}
