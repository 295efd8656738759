<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Account\Role;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Sitzplatz\Choose\Gate\Risk;
use Sitzplatz\Test\Life\ComparisonLife;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** A lead lets a setup be tried that practice rules out, and says why. */
final readonly class RiskController
{
    public function __construct(
        private Contract $contract,
        private StoredEdit $edit,
        private SetupRisks $risks,
        private ComparisonView $view,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/comparisons/{id}/risks', name: 'takeRisk', methods: ['POST'])]
    public function take(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body): void {
            $setup = $comparison->setups->findFirst(static fn (int $i, Setup $each): bool => $each->id->toRfc4122() === $body['setupId'])
                ?? throw Problem::notFound();
            $wanted = array_map(static fn ($each): string => $each->value, Risk::precautions($this->risks->of($setup)));
            $user = $this->current->get();
            RunCommands::asked(static fn () => ComparisonLife::takeRisk(
                $comparison->status,
                Role::Lead === $user->role,
                $wanted,
                array_values(array_filter($body['precautions'], \is_string(...))),
            ));
            $setup->riskTaken = ['why' => $body['why'], 'by' => $user->displayName, 'at' => $this->now->time()->format(\DATE_ATOM)];
            $this->audit->note('risk taken', $comparison->id, ['setup' => $setup->label, 'why' => $body['why'], 'precautions' => $wanted]);
        });

        return new Answer($this->view->of($comparison));
    }
}
