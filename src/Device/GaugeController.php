<?php

declare(strict_types=1);

namespace App\Device;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The force gauges of the shop. A simulated one belongs to the demo, and is neither made nor reached outside of it. */
final readonly class GaugeController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/gauges', name: 'listGauges', methods: ['GET'])]
    public function list(): Answer
    {
        return new Answer(array_map(
            static fn (Gauge $gauge): array => $gauge->toArray(),
            $this->entities->getRepository(Gauge::class)->findBy([], ['name' => 'ASC']),
        ));
    }

    #[Route('/api/gauges', name: 'createGauge', methods: ['POST'])]
    public function create(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$gauge, $new] = $this->creation->create(Gauge::class, $body, function (Uuid $id) use ($body): Gauge {
            $gauge = new Gauge($id, $this->now->time());
            $gauge->apply($body);
            $this->audit->note('created', $id, $body);

            return $gauge;
        });

        return new Answer($gauge->toArray(), $new ? 201 : 200);
    }

    #[Route('/api/gauges/{id}', name: 'updateGauge', methods: ['PUT'])]
    public function update(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $gauge = $this->edit->save(Gauge::class, $id, $body, function (Gauge $gauge) use ($body): void {
            $this->audit->note('changed', $gauge->id, ['before' => $gauge->toArray(), 'after' => $body]);
            $gauge->apply($body);
        });

        return new Answer($gauge->toArray());
    }
}
