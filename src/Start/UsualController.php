<?php

declare(strict_types=1);

namespace App\Start;

use App\Platform\Http\Answer;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;

/** What is usual, so that forms begin with it; the rules themselves stay where they are. */
final class UsualController
{
    #[Route('/api/usual', name: 'getUsual', methods: ['GET'])]
    public function usual(): Answer
    {
        $piece = UsualPlan::piece();
        $durations = UsualPlan::durations();

        return new Answer([
            'plan' => [
                'piece' => [
                    'name' => Sentence::of('piece.pull_block'),
                    'alongPullMm' => $piece->alongPullMm,
                    'acrossPullMm' => $piece->acrossPullMm,
                    'pullHeightMm' => $piece->pullHeightMm,
                ],
                'nozzleMm' => UsualPlan::NOZZLE_MM,
                'nozzleFirstC' => UsualPlan::NOZZLE_FIRST_C,
                'gapMm' => UsualPlan::GAP_MM,
                'limits' => [
                    'hotPullAtLeastN' => null,
                    'coldPullAtMostN' => null,
                    'effortAtMost' => UsualPlan::effortAtMost()->value,
                    'failuresAllowed' => 0,
                    'liftAtMostMm' => null,
                    'liftBy' => LiftBy::MeanOfEnds->value,
                ],
                'proof' => [
                    'criterion' => UsualPlan::criterion(false)->value,
                    'share' => UsualPlan::SHARE,
                    'design' => Design::Adaptive->value,
                    'measures' => [],
                    'scaleStepN' => UsualPlan::SCALE_STEP_N,
                    'visits' => RunOrder::VISITS,
                    'plateStays' => false,
                ],
                'durations' => [
                    'prepareMinutes' => $durations->prepareMinutes,
                    'heatAndSoakMinutes' => $durations->heatAndSoakMinutes,
                    'printMinutes' => $durations->printMinutes,
                    'coolMinutes' => $durations->coolMinutes,
                    'inspectAndCleanMinutes' => $durations->inspectAndCleanMinutes,
                    'plateChangeMinutes' => $durations->plateChangeMinutes,
                ],
                // Held, effort and damage decide, which want neither a limit nor an instrument.
                'runsPerSetup' => UsualPlan::COUNTED_RUNS,
                'hotPerSetup' => 0,
                'pulls' => [
                    'criterion' => UsualPlan::criterion(true)->value,
                    'hotPullAtLeastN' => UsualPlan::HOT_PULL_AT_LEAST_N,
                    'coldPullAtMostN' => UsualPlan::COLD_PULL_AT_MOST_N,
                    'runsPerSetup' => UsualPlan::RUNS_PER_SETUP,
                    'hotPerSetup' => UsualPlan::HOT_PER_SETUP,
                ],
                'liftAtMostMm' => UsualPlan::LIFT_AT_MOST_MM,
                'mostRunsAdded' => ComparisonLife::MOST_RUNS_ADDED,
            ],
            'acceptance' => array_map(static fn (AcceptancePlan $plan): array => [
                'reliability' => $plan->reliability,
                'confidence' => $plan->confidence,
                'words' => $plan->words(),
                'runsWithoutFailure' => $plan->runsNeeded,
                'runsWithOneFailure' => (new AcceptancePlan($plan->reliability, $plan->confidence, 1))->runsNeeded,
            ], AcceptancePlan::usual()),
            'anyNeeds' => ScopeClaim::ANY_NEEDS,
            'foothold' => ['brimMm' => FootholdAdvice::BRIM_MM, 'earRadiusMm' => FootholdAdvice::EAR_RADIUS_MM],
            'coldRoomC' => Target::COLD_ROOM_C,
            'heat' => [
                'bedMm' => HeatUp::USUAL_BED_MM,
                'bedLayer' => ['of' => HeatUp::USUAL_BED_LAYER, 'mm' => HeatUp::USUAL_BED_LAYER_MM],
                'contactM2KW' => Layer::DRY_CONTACT_M2KW,
                'atC' => HeatUp::USUAL_AT_C,
                'releaseC' => HeatUp::USUAL_RELEASE_C,
            ],
        ]);
    }
}
