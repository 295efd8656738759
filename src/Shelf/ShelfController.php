<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Catalogue\ShopCatalogue;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\KeyedPage;
use App\Platform\Database\Row;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\VersionedRow;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The shop's own things: printers, plates, agents and lots. */
final readonly class ShelfController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private Audit $audit,
        private Now $now,
        private KeyedPage $page,
        private PlateRepository $plates,
    ) {
    }

    #[Route('/api/printers', name: 'listPrinters', methods: ['GET'])]
    public function printers(): Answer
    {
        return $this->list(Printer::class, 'name');
    }

    #[Route('/api/printers', name: 'createPrinter', methods: ['POST'])]
    public function createPrinter(Request $request): Answer
    {
        return $this->create(Printer::class, $request);
    }

    #[Route('/api/printers/{id}', name: 'updatePrinter', methods: ['PUT'])]
    public function updatePrinter(string $id, Request $request): Answer
    {
        return $this->update(Printer::class, $id, $request);
    }

    #[Route('/api/lots', name: 'listLots', methods: ['GET'])]
    public function lots(Request $request): Answer
    {
        $ids = $this->page->named(
            'lot t',
            'lot',
            'label',
            "CONCAT_WS(' ', t.label, t.name, t.note, REPLACE(t.material_id, '_', ' '))",
            $request->query->getString('find'),
            $request->query->getString('after'),
            $request->query->getBoolean('retired', true) ? '' : 't.retired = 0',
        );
        $lots = KeyedPage::ordered($ids, $this->entities->getRepository(Lot::class)->findBy(['id' => $ids]));

        return new Answer(array_map(static fn (Lot $lot): array => $lot->toArray(), $lots));
    }

    #[Route('/api/next-name', name: 'nextName', methods: ['GET'])]
    public function nextName(Request $request, NextName $next): Answer
    {
        $of = 'lot' === $request->query->getString('of') ? 'lot' : 'plate';

        return new Answer(['name' => $next->after($of, $request->query->getString('like'))]);
    }

    #[Route('/api/lots/in-use', name: 'listLotsInUse', methods: ['GET'])]
    public function lotsInUse(): Answer
    {
        return $this->list(Lot::class, 'label', ['retired' => false]);
    }

    #[Route('/api/lots', name: 'createLot', methods: ['POST'])]
    public function createLot(Request $request): Answer
    {
        return $this->create(Lot::class, $request);
    }

    #[Route('/api/lots/{id}', name: 'updateLot', methods: ['PUT'])]
    public function updateLot(string $id, Request $request): Answer
    {
        return $this->update(Lot::class, $id, $request);
    }

    #[Route('/api/agents', name: 'listAgents', methods: ['GET'])]
    public function agents(): Answer
    {
        return $this->list(AgentStock::class, 'name');
    }

    #[Route('/api/agents', name: 'createAgent', methods: ['POST'])]
    public function createAgent(Request $request): Answer
    {
        return $this->create(AgentStock::class, $request);
    }

    #[Route('/api/agents/{id}', name: 'updateAgent', methods: ['PUT'])]
    public function updateAgent(string $id, Request $request): Answer
    {
        return $this->update(AgentStock::class, $id, $request);
    }

    #[Route('/api/feelers', name: 'listFeelers', methods: ['GET'])]
    public function feelers(): Answer
    {
        return $this->list(Feeler::class, 'name');
    }

    #[Route('/api/feelers', name: 'createFeeler', methods: ['POST'])]
    public function createFeeler(Request $request): Answer
    {
        return $this->create(Feeler::class, $request);
    }

    #[Route('/api/feelers/{id}', name: 'updateFeeler', methods: ['PUT'])]
    public function updateFeeler(string $id, Request $request): Answer
    {
        return $this->update(Feeler::class, $id, $request);
    }

    #[Route('/api/plates', name: 'listPlates', methods: ['GET'])]
    public function plates(Request $request): Answer
    {
        $page = $this->plates->page(
            $request->query->getString('find'),
            $request->query->getString('after'),
            $request->query->getBoolean('retired', true),
        );

        return new Answer(array_map(static fn (Plate $plate): array => $plate->toArray(), $page));
    }

    #[Route('/api/plate-sides', name: 'listSidesInUse', methods: ['GET'])]
    public function sides(): Answer
    {
        return new Answer(array_map(static fn (SideOnShelf $side): array => $side->toArray(), $this->plates->sidesOnShelf()));
    }

    #[Route('/api/plates', name: 'createPlate', methods: ['POST'])]
    public function createPlate(Request $request): Answer
    {
        return $this->create(Plate::class, $request);
    }

    #[Route('/api/plates/{id}', name: 'updatePlate', methods: ['PUT'])]
    public function updatePlate(string $id, Request $request): Answer
    {
        return $this->update(Plate::class, $id, $request);
    }

    #[Route('/api/plate-sides/{id}/fittings', name: 'createFitting', methods: ['POST'])]
    public function createFitting(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$fitting, $new] = $this->creation->create(
            Fitting::class,
            $body,
            fn (Uuid $key): Fitting => $this->fit($key, $this->edit->locked(PlateSide::class, $id), $body, ''),
        );

        return new Answer($fitting->side->plate->toArray(), $new ? 201 : 200);
    }

    /**
     * @param class-string<VersionedRow> $class
     * @param array<string, bool>        $where
     */
    private function list(string $class, string $order, array $where = []): Answer
    {
        return new Answer(array_map(
            static fn (VersionedRow $row): array => $row->toArray(),
            $this->entities->getRepository($class)->findBy($where, [$order => 'ASC']),
        ));
    }

    /**
     * @template T of Printer|Plate|AgentStock|Lot|Feeler
     *
     * @param class-string<T> $class
     */
    private function create(string $class, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$row, $new] = $this->creation->create($class, $body, function (Uuid $id) use ($class, $body): Row {
            $row = new $class($id, $this->now->time());
            $this->apply($row, $body);
            if ($row instanceof Plate) {
                $this->makeSides($row, $body['sides']);
            }
            $this->audit->note('created', $id, $body);

            return $row;
        });

        return new Answer($row->toArray(), $new ? 201 : 200);
    }

    /**
     * @template T of Printer|Plate|AgentStock|Lot|Feeler
     *
     * @param class-string<T> $class
     */
    private function update(string $class, string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $row = $this->edit->save($class, $id, $body, function (Printer|Plate|AgentStock|Lot|Feeler $row) use ($body): void {
            $this->audit->note('changed', $row->id, ['before' => $row->toArray(), 'after' => $body]);
            $this->apply($row, $body);
        });

        return new Answer($row->toArray());
    }

    /** @param array<string, mixed> $body */
    private function apply(Printer|Plate|AgentStock|Lot|Feeler $row, array $body): void
    {
        if ($row instanceof Lot && !isset($this->shop->get()->materials[$body['materialId']])) {
            throw Problem::invalid('materialId', 'The catalogue has no such material: choose one from the list.');
        }
        if ($row instanceof AgentStock && !isset($this->shop->get()->agents[$body['kindId']])) {
            throw Problem::invalid('kindId', 'The catalogue has no such agent: choose one from the list.');
        }
        if ($row instanceof Printer) {
            StoredLayers::check($body['bedLayers'] ?? [], $this->shop->get(), 'bedLayers');
        }
        if ($row instanceof Plate) {
            StoredLayers::check($body['layers'] ?? [], $this->shop->get(), 'layers');
            $row->printer = null === $body['printerId'] ? null : $this->edit->reference(Printer::class, $body['printerId'], 'printerId');
        }
        $row->apply($body);
        $weaker = $row instanceof Printer ? $row->magnets()->refusesSoak() : null;
        if (null !== $weaker) {
            throw Problem::invalid('magnetSoakC', $weaker);
        }
    }

    /** @param list<array<string, mixed>> $sides */
    private function makeSides(Plate $plate, array $sides): void
    {
        $faces = array_column($sides, 'face');
        if ($faces !== array_unique($faces)) {
            throw Problem::invalid('sides', 'A plate has one front and one back.');
        }
        foreach ($sides as $i => $body) {
            $side = new PlateSide(Uuid::v7(), $this->now->time(), $plate, $body['face']);
            $plate->sides->add($side);
            $this->entities->persist($side);
            $this->entities->persist($this->fit(Uuid::v7(), $side, $body, "sides.$i."));
        }
    }

    /** @param array<string, mixed> $body */
    private function fit(Uuid $id, PlateSide $side, array $body, string $path): Fitting
    {
        if (!isset($this->shop->get()->surfaces[$body['surfaceId']])) {
            throw Problem::invalid($path.'surfaceId', 'The catalogue has no such surface: choose one from the list.');
        }
        $fitting = new Fitting(
            $id,
            $this->now->time(),
            $side,
            $body['surfaceId'],
            $body['surfaceLot'],
            Number::orNull($body['limitC']),
            Number::orNull($body['soakC'] ?? null),
        );
        $this->entities->persist($fitting);
        $side->fitting = $fitting;
        $this->audit->note('fitted', $side->id, $body);

        return $fitting;
    }
}
