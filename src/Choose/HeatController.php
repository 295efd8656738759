<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SurfaceMeasurement;
use App\Shelf\SurfaceMeasurementRepository;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Stack;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The sums on heat as plain calculators, and the surface temperatures that were measured. */
final readonly class HeatController
{
    public function __construct(
        private Contract $contract,
        private HeatSums $sums,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private SurfaceMeasurementRepository $measurements,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/heat', name: 'reckonHeat', methods: ['POST'])]
    public function reckon(Request $request): Answer
    {
        return new Answer($this->sums->answer($this->contract->body($request)));
    }

    #[Route('/api/surface-temperatures', name: 'listSurfaceTemperatures', methods: ['GET'])]
    public function list(): Answer
    {
        return new Answer(array_map(static fn (SurfaceMeasurement $m): array => $m->toArray(), $this->measurements->recent()));
    }

    #[Route('/api/surface-temperatures', name: 'addSurfaceTemperature', methods: ['POST'])]
    public function add(Request $request): Answer
    {
        $body = $this->contract->body($request);
        try {
            Stack::learnsFrom((float) $body['surfaceC'], (float) $body['roomC']);
        } catch (BadHeat $bad) {
            throw Problem::invalid($bad->field, $bad->sentence, previous: $bad);
        }
        [$measurement, $new] = $this->creation->create(SurfaceMeasurement::class, $body, function (Uuid $id) use ($body): SurfaceMeasurement {
            $measurement = new SurfaceMeasurement(
                $id,
                $this->now->time(),
                $this->edit->reference(Printer::class, $body['printerId'], 'printerId'),
                $this->edit->reference(PlateSide::class, $body['plateSideId'], 'plateSideId')->current(),
                (float) $body['displayC'],
                (float) $body['surfaceC'],
                (float) $body['roomC'],
                $this->current->get()->displayName,
            );
            $this->audit->note('surface measured', $id, $body);

            return $measurement;
        });

        return new Answer($measurement->toArray(), $new ? 201 : 200);
    }
}
