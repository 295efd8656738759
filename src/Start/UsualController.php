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
use Sitzplatz\Test\Life\ComparisonLife;
use Symfony\Component\Routing\Attribute\Route;

/** What is usual, so that forms begin with it; the rules themselves stay where they are. */
final class UsualController
{
    #[Route('/api/usual', name: 'getUsual', methods: ['GET'])]
    public function usual(): Answer
    {
        return new Answer([
            'mostRunsAdded' => ComparisonLife::MOST_RUNS_ADDED,
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
