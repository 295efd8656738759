<?php

declare(strict_types=1);

namespace App\Fix;

use App\Care\PlateHistory;
use App\Catalogue\CatalogueLoader;
use App\Catalogue\ShopCatalogue;
use App\Evidence\EvidenceRepository;
use App\Evidence\PrinterChanges;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Shelf\PlateSide;
use Sitzplatz\Fix\Check;
use Sitzplatz\Fix\Diagnosis;
use Sitzplatz\Fix\PlateState;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\CatalogueText;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** A symptom and the plate's own history: what to check, in which order. */
final readonly class FixController
{
    public function __construct(
        private Contract $contract,
        private StoredEdit $edit,
        private CatalogueLoader $loader,
        private PlateHistory $history,
        private PrinterChanges $changes,
        private ShopCatalogue $shop,
    ) {
    }

    #[Route('/api/fix', name: 'diagnose', methods: ['POST'])]
    public function diagnose(Request $request): Answer
    {
        $body = $this->contract->body($request);
        /**
         * @var array{
         *     symptoms: list<array{id: string, name: string}>,
         *     checks: list<array{id: string, do: string, minutes: int|float, for: array<string, int>}>,
         * } $data
         */
        $data = $this->loader->data()['checks'];
        if (!\in_array($body['symptomId'], array_column($data['symptoms'], 'id'), true)) {
            throw Problem::invalid('symptomId', 'Choose a symptom from the list.');
        }
        $checks = array_map(
            static fn (array $check): Check => new Check(
                $check['id'],
                new CatalogueText('check.'.$check['id'].'.do', $check['do']),
                (float) $check['minutes'],
                $check['for'],
            ),
            $data['checks'],
        );
        $plate = $this->plate($body['plateSideId']);
        $diagnosis = Diagnosis::of($body['symptomId'], $checks, $plate);

        return new Answer([
            'plate' => $plate->sentences(),
            'checks' => array_map(
                static fn (Check $check): array => ['id' => $check->id, 'sentence' => $check->sentence, 'minutes' => $check->minutes],
                $diagnosis->checks,
            ),
        ]);
    }

    private function plate(?string $sideId): PlateState
    {
        if (null === $sideId) {
            return new PlateState(null, null, false);
        }
        $side = $this->edit->reference(PlateSide::class, $sideId, 'plateSideId');
        $counts = $this->history->all()[$sideId];
        $printer = $side->plate->printer;
        $changed = false;
        if (null !== $printer && null !== $counts->lastHeldAt) {
            $held = EvidenceRepository::seconds(new \DateTimeImmutable($counts->lastHeldAt));
            foreach ($this->changes->of($printer->id->toRfc4122()) as $change) {
                $changed = $changed || $change->questions($side->plate->id->toRfc4122(), $held);
            }
        }

        return new PlateState(
            $counts->printsSinceWash,
            $counts->printsSinceFitting,
            $changed,
            Wear::surfaceMayBeWorn($counts->printsSinceFitting, $this->shop->get()->surface($side->current()->surfaceId)),
        );
    }
}
