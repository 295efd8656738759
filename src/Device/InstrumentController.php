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

/** The measuring devices of the shop. A simulated one belongs to the demo, and is neither made nor reached outside of it. */
final readonly class InstrumentController
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
    public function gauges(): Answer
    {
        return $this->all(Gauge::class);
    }

    #[Route('/api/gauges', name: 'createGauge', methods: ['POST'])]
    public function createGauge(Request $request): Answer
    {
        return $this->create(Gauge::class, $request);
    }

    #[Route('/api/gauges/{id}', name: 'updateGauge', methods: ['PUT'])]
    public function updateGauge(string $id, Request $request): Answer
    {
        return $this->update(Gauge::class, $id, $request);
    }

    #[Route('/api/thermometers', name: 'listThermometers', methods: ['GET'])]
    public function thermometers(): Answer
    {
        return $this->all(Thermometer::class);
    }

    #[Route('/api/thermometers', name: 'createThermometer', methods: ['POST'])]
    public function createThermometer(Request $request): Answer
    {
        return $this->create(Thermometer::class, $request);
    }

    #[Route('/api/thermometers/{id}', name: 'updateThermometer', methods: ['PUT'])]
    public function updateThermometer(string $id, Request $request): Answer
    {
        return $this->update(Thermometer::class, $id, $request);
    }

    /** @param class-string<Instrument> $class */
    private function all(string $class): Answer
    {
        return new Answer(array_map(
            static fn (Instrument $each): array => $each->toArray(),
            $this->entities->getRepository($class)->findBy([], ['name' => 'ASC']),
        ));
    }

    /** @param class-string<Instrument> $class */
    private function create(string $class, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$instrument, $new] = $this->creation->create($class, $body, function (Uuid $id) use ($class, $body): Instrument {
            $instrument = new $class($id, $this->now->time());
            $instrument->apply($body);
            $this->audit->note('created', $id, $body);

            return $instrument;
        });

        return new Answer($instrument->toArray(), $new ? 201 : 200);
    }

    /** @param class-string<Instrument> $class */
    private function update(string $class, string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $instrument = $this->edit->save($class, $id, $body, function (Instrument $instrument) use ($body): void {
            $this->audit->note('changed', $instrument->id, ['before' => $instrument->toArray(), 'after' => $body]);
            $instrument->apply($body);
        });

        return new Answer($instrument->toArray());
    }
}
