<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Test\Comparison;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Judge\PlanClaims;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\ProofPlan;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What a plan can show, asked while it is made; nothing is stored. */
final readonly class PlanChanceController
{
    public function __construct(private Contract $contract)
    {
    }

    #[Route('/api/plan-chances', name: 'getPlanChances', methods: ['POST'])]
    public function chances(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $proof = $body['proof'];
        $proof['unit'] = Comparison::unit($proof['criterion']);
        $plan = Comparison::proofPlan($proof, $body['limits'], $body['runsPerSetup'], $body['hotPerSetup']);
        try {
            $plan->check(Comparison::takenBy($body['proof']), $body['hotPerSetup']);
        } catch (BadPlan $bad) {
            throw Problem::invalid($bad->field, $bad->sentence, previous: $bad);
        }

        $rule = $plan->pullRule(true) ?? $plan->pullRule(false);

        return new Answer([
            'questions' => [self::question($plan, 'hold'), self::question($plan, 'release')],
            'warnings' => PlanChance::warnings($plan),
            'mostRuns' => $plan->most($plan->runs),
            'enough' => null === $rule ? null : [
                'distance' => PlanChance::good($rule),
                'pulls' => PlanChance::fewestPulls($rule, $plan, PlanChance::good($rule)),
            ],
            'rules' => ['hold' => $plan->pullRule(true)?->words(), 'release' => $plan->pullRule(false)?->words()],
            'claims' => PlanClaims::of($plan),
            'runsForShare' => PlanChance::fewestRuns($plan->share, $plan->failuresAllowed),
        ]);
    }

    /** @return array<string, mixed> */
    private static function question(ProofPlan $plan, string $question): array
    {
        $hold = 'hold' === $question;
        $curve = PlanChance::curve($plan, $hold);

        return [
            'question' => $question,
            'by' => null !== $plan->pullRule($hold) ? 'distance' : 'share',
            'rows' => array_map(self::chance(...), PlanChance::table($plan, $hold)),
            'curve' => array_map(self::chance(...), $curve),
            'sees' => PlanChance::sees($curve, null !== $plan->pullRule($hold)),
        ];
    }

    /** @return array<string, float> */
    private static function chance(PlanChance $each): array
    {
        return ['truth' => $each->truth, 'passes' => $each->passes, 'refuted' => $each->refuted, 'runs' => $each->runs];
    }
}
