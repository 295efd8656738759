<?php

declare(strict_types=1);

namespace App\Judge;

use App\Account\CurrentUser;
use App\Catalogue\OwnCoatLife;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Test\Comparison;
use App\Test\Setup;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** How long a coat lasted in a test is what Care and Choose go by, once somebody takes it over. */
final readonly class CoatLifeController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Transaction $transaction,
        private Contract $contract,
        private StoredEdit $edit,
        private Judging $judging,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/comparisons/{id}/coat-life', name: 'takeCoatLife', methods: ['POST'])]
    public function take(string $id, Request $request): Answer
    {
        $setup = $this->setup($id, $this->contract->body($request)['setup']);
        $agent = $setup->agent ?? throw Problem::invalid('setup', 'This setup is bare: there is no coat to take over.');
        $judged = array_column($this->judging->judge($setup->comparison)['coats'], null, 'setup')[$setup->label] ?? null;
        if (null === $judged) {
            throw Problem::invalid('setup', 'No print on a coat of this setup is done yet.', 409);
        }
        $prints = $judged['careAfter'];
        $this->transaction->run(function () use ($setup, $agent, $prints): void {
            $this->withdrawn($setup);
            $this->entities->persist(new OwnCoatLife(
                Uuid::v7(),
                $this->now->time(),
                $agent->kindId,
                $setup->fitting->surfaceId,
                $prints,
                $setup->id,
                $this->current->author()->name,
            ));
            $this->audit->note('coat life taken over', $setup->id, ['prints' => $prints]);
            $this->entities->flush();
        });

        return new Answer(['prints' => $prints], 201);
    }

    #[Route('/api/comparisons/{id}/coat-life/withdraw', name: 'withdrawCoatLife', methods: ['POST'])]
    public function withdraw(string $id, Request $request): Answer
    {
        $setup = $this->setup($id, $this->contract->body($request)['setup']);
        $this->transaction->run(function () use ($setup): void {
            $this->withdrawn($setup);
            $this->audit->note('coat life taken back', $setup->id);
            $this->entities->flush();
        });

        return new Answer(['prints' => null]);
    }

    private function setup(string $comparisonId, string $label): Setup
    {
        foreach ($this->edit->find(Comparison::class, $comparisonId)->setups as $setup) {
            if ($setup->label === $label) {
                return $setup;
            }
        }
        throw Problem::invalid('setup', 'This comparison has no such setup.');
    }

    private function withdrawn(Setup $setup): void
    {
        foreach ($this->entities->getRepository(OwnCoatLife::class)->findBy(['setupId' => $setup->id, 'withdrawnAt' => null]) as $life) {
            $life->withdrawnAt = $this->now->time();
            $life->withdrawnBy = $this->current->author()->name;
        }
    }
}
