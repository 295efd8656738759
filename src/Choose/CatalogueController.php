<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Account\Role;
use App\Catalogue\ShopCatalogue;
use App\Catalogue\StoredFact;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\Number;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Request\HoldDown;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The catalogue: what practice knows, what the shop holds true, and what its own runs say. */
final readonly class CatalogueController
{
    public function __construct(
        private Transaction $transaction,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private CatalogueData $data,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/catalogue', name: 'getCatalogue', methods: ['GET'])]
    public function catalogue(): Answer
    {
        $texts = $this->shop->texts();
        $catalogue = $this->shop->get();
        foreach ($texts['surfaces'] as $i => $surface) {
            $known = $catalogue->surfaces[$surface['id']] ?? null;
            $texts['surfaces'][$i]['held_by'] = (null === $known ? HoldDown::Clips : HoldDown::usual($known, $catalogue))->value;
        }

        return new Answer($texts);
    }

    #[Route('/api/catalogue/pairs', name: 'listPairs', methods: ['GET'])]
    public function pairs(): Answer
    {
        return new Answer($this->data->pairs());
    }

    #[Route('/api/catalogue/pairs/{materialId}/{surfaceId}', name: 'getPair', methods: ['GET'])]
    public function pair(string $materialId, string $surfaceId): Answer
    {
        return new Answer($this->data->pair($materialId, $surfaceId) ?? throw Problem::notFound());
    }

    #[Route('/api/catalogue/facts', name: 'addFact', methods: ['POST'])]
    public function add(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$fact, $new] = $this->creation->create(StoredFact::class, $body, function (Uuid $id) use ($body): StoredFact {
            $ours = $this->shop->ours();
            foreach (['materialId' => $ours->materials, 'surfaceId' => $ours->surfaces, 'agentKindId' => $ours->agents] as $field => $known) {
                if (null !== $body[$field] && !isset($known[$body[$field]])) {
                    throw Problem::invalid($field, 'The catalogue has no such entry: choose one from the list.');
                }
            }
            $fact = new StoredFact(
                $id,
                $this->now->time(),
                $body['materialId'],
                $body['surfaceId'],
                $body['agentKindId'],
                null === $body['window'] ? null : array_values(array_map(floatval(...), $body['window'])),
                Number::orNull($body['releaseC']),
                AgentRole::from($body['role']),
                Grade::from($body['hold']),
                Grade::from($body['release']),
                $body['barrier'],
                $body['why'],
                $this->current->get()->displayName,
                $body['openPrinter'] ?? false,
            );
            try {
                $this->shop->get()->check($fact->fact($ours->material($fact->materialId)->filament), Role::Lead === $this->current->get()->role);
            } catch (BadCatalogue $bad) {
                throw Problem::invalid(match ($bad->sentence->key) {
                    'catalogue.given_up' => 'barrier',
                    'catalogue.open_printer' => 'openPrinter',
                    default => 'window',
                }, $bad->sentence);
            }
            $this->audit->note('fact added', $id, $body);

            return $fact;
        });
        $this->shop->reset();

        return new Answer($fact->toArray(), $new ? 201 : 200);
    }

    /** Nothing is deleted: a withdrawn fact stays in the record, and ours counts again. */
    #[Route('/api/catalogue/facts/{id}/withdraw', name: 'withdrawFact', methods: ['POST'])]
    public function withdraw(string $id, Request $request): Answer
    {
        $this->contract->body($request);
        $fact = $this->transaction->run(function () use ($id): StoredFact {
            $fact = $this->edit->locked(StoredFact::class, $id);
            $fact->withdrawnAt ??= $this->now->time();
            $fact->withdrawnBy = '' === $fact->withdrawnBy ? $this->current->get()->displayName : $fact->withdrawnBy;
            $this->audit->note('fact withdrawn', $fact->id);

            return $fact;
        });
        $this->shop->reset();

        return new Answer($fact->toArray());
    }
}
