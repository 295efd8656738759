<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use Sitzplatz\Judge\PlanChance;
use Sitzplatz\Test\Question\PlanQuestions;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** In which order the runs of a plan would be made and how long they take, asked while it is made; nothing is stored. */
final readonly class PlanOrderController
{
    public function __construct(
        private Contract $contract,
        private ComparisonPlan $plan,
        private ComparisonView $view,
        private PlanQuestions $questions,
        private SetupRisks $risks,
    ) {
    }

    #[Route('/api/plans/order', name: 'orderPlan', methods: ['POST'])]
    public function order(Request $request): Answer
    {
        $comparison = $this->plan->tried($this->contract->body($request));
        $order = $this->view->order($comparison);
        $plan = $comparison->plan();
        $setups = \count($comparison->setups);
        $varied = ComparisonView::varied($comparison);
        $most = $setups * $plan->most($comparison->runsPerSetup);
        $likely = (int) ceil($setups * PlanChance::likelyRuns($plan) - 1e-9);
        $inTurn = $this->questions->inTurn($comparison->kind);

        return new Answer([
            ...ComparisonView::timetable($order, $comparison->runDurations()),
            'secondVisitSentence' => TimeEstimate::of($order, $comparison->runDurations())->secondVisitSentence($order),
            'sentence' => Sentence::of(
                $inTurn ? 'plan_order.in_turn' : ($most > \count($order->runs) ? 'plan_order.adaptive' : 'plan_order.fixed'),
                setups: Quantity::count($setups),
                most: Quantity::count($most),
                likely: Quantity::count(max(\count($order->runs), min($most, $likely))),
                first: Quantity::count(\count($order->runs)),
            ),
            'setups' => array_values($comparison->setups->map(
                fn (Setup $setup): array => ['id' => $setup->id->toRfc4122(), 'name' => $setup->name(), 'risk' => $this->risks->said($setup)],
            )->toArray()),
            'varied' => ['confounded' => $varied->confounded(), 'sentence' => $varied->sentence()],
            'cautions' => $this->view->cautions($comparison),
            'materialMm3' => \count($order->runs) * $comparison->partsPerRun() * $comparison->piece()->mostMm3(),
        ]);
    }
}
