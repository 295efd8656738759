<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Catalogue\StoredKind;
use App\Catalogue\StoredMaterial;
use App\Catalogue\StoredSurface;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Kinds of surface and material that the shop has and the catalogue does not. */
final readonly class OwnKindController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private FirstTests $firstTests,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/own-surfaces', name: 'listOwnSurfaces', methods: ['GET'])]
    public function surfaces(): Answer
    {
        return $this->list(StoredSurface::class);
    }

    #[Route('/api/own-surfaces', name: 'createOwnSurface', methods: ['POST'])]
    public function createSurface(Request $request): Answer
    {
        return $this->create(StoredSurface::class, $request);
    }

    #[Route('/api/own-surfaces/{id}', name: 'updateOwnSurface', methods: ['PUT'])]
    public function updateSurface(string $id, Request $request): Answer
    {
        return $this->update(StoredSurface::class, $id, $request);
    }

    #[Route('/api/own-surfaces/{id}/first-tests', name: 'firstTestsOfSurface', methods: ['GET'])]
    public function firstTestsOfSurface(string $id): Answer
    {
        return new Answer($this->firstTests->of($this->edit->find(StoredSurface::class, $id)));
    }

    #[Route('/api/own-materials', name: 'listOwnMaterials', methods: ['GET'])]
    public function materials(): Answer
    {
        return $this->list(StoredMaterial::class);
    }

    #[Route('/api/own-materials', name: 'createOwnMaterial', methods: ['POST'])]
    public function createMaterial(Request $request): Answer
    {
        return $this->create(StoredMaterial::class, $request);
    }

    #[Route('/api/own-materials/{id}', name: 'updateOwnMaterial', methods: ['PUT'])]
    public function updateMaterial(string $id, Request $request): Answer
    {
        return $this->update(StoredMaterial::class, $id, $request);
    }

    #[Route('/api/own-materials/{id}/first-tests', name: 'firstTestsOfMaterial', methods: ['GET'])]
    public function firstTestsOfMaterial(string $id): Answer
    {
        return new Answer($this->firstTests->of($this->edit->find(StoredMaterial::class, $id)));
    }

    /** @param class-string<StoredKind> $class */
    private function list(string $class): Answer
    {
        return new Answer(array_map(
            static fn (StoredKind $kind): array => $kind->toArray(),
            $this->entities->getRepository($class)->findBy([], ['name' => 'ASC']),
        ));
    }

    /** @param class-string<StoredSurface|StoredMaterial> $class */
    private function create(string $class, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$kind, $new] = $this->creation->create($class, $body, function (Uuid $id) use ($class, $body): StoredKind {
            $kind = new $class($id, $this->now->time());
            $kind->apply($body, $this->current->get()->displayName);
            $this->shop->check($kind);
            $this->audit->note('created', $id, $body);

            return $kind;
        });
        $this->shop->reset();

        return new Answer($kind->toArray(), $new ? 201 : 200);
    }

    /** @param class-string<StoredSurface|StoredMaterial> $class */
    private function update(string $class, string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $kind = $this->edit->save($class, $id, $body, function (StoredKind $kind) use ($body): void {
            if ($body['kind'] !== $kind->details['kind']) {
                throw Problem::invalid('kind', 'What is for filament stays for filament: make a new one, and retire this.');
            }
            $this->audit->note('changed', $kind->id, ['before' => $kind->toArray(), 'after' => $body]);
            $kind->apply($body, $this->current->get()->displayName);
            $this->shop->check($kind);
        });
        $this->shop->reset();

        return new Answer($kind->toArray());
    }
}
