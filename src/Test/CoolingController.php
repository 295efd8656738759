<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Device\Thermometer;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Sitzplatz\Test\CoolingTrace;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\TemperatureSample;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The thermometer on the plate while a run cools: begun, polled while it goes on, taken over as a reading. */
final readonly class CoolingController
{
    /** As many as a small picture can show. */
    private const POINTS = 240;

    public function __construct(
        private CoolingWatch $watch,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private CurrentUser $current,
        private ShopCatalogue $shop,
        private Now $now,
        private bool $demo,
    ) {
    }

    #[Route('/api/runs/{id}/cooling', name: 'beginCooling', methods: ['POST'])]
    public function begin(string $id, Request $request): Answer
    {
        $run = $this->edit->find(Run::class, $id);
        $body = $this->contract->body($request);
        [$cooling, $new] = $this->creation->create(Cooling::class, $body, function (Uuid $key) use ($run, $body): Cooling {
            if (RunStatus::Running !== $run->status) {
                throw Problem::invalid('', 'Only a run that goes on is watched. Begin it first.', 409);
            }
            $thermometer = $this->edit->reference(Thermometer::class, $body['thermometerId'], 'thermometerId');
            if ($thermometer->retired || ($thermometer->simulated && !$this->demo)) {
                throw Problem::invalid('thermometerId', 'Choose a thermometer that is in use.');
            }

            return $this->watch->begins($key, $run, $thermometer->id, $thermometer->simulated);
        });

        return new Answer(['cooling' => $this->state($cooling)], $new ? 201 : 200);
    }

    #[Route('/api/runs/{id}/cooling', name: 'getCooling', methods: ['GET'])]
    public function get(string $id): Answer
    {
        $cooling = $this->watch->of($this->edit->find(Run::class, $id));

        return new Answer(['cooling' => null === $cooling ? null : $this->state($cooling)]);
    }

    #[Route('/api/coolings/{id}/reading', name: 'takeCooling', methods: ['POST'])]
    public function take(string $id): Answer
    {
        $now = $this->now->time();
        // It lets go once, however often that is said and by whomever: the key of the reading follows from that of the watch.
        [$reading, $new] = $this->creation->create(
            StoredReading::class,
            ['id' => Uuid::v5($this->edit->find(Cooling::class, $id)->id, 'reading')->toRfc4122()],
            function (Uuid $key) use ($id, $now): StoredReading {
                $cooling = $this->edit->find(Cooling::class, $id);
                if (Cooling::WATCHING !== $cooling->state) {
                    throw Problem::invalid('', 'Nothing is watched any more. Type the reading in.', 409);
                }
                $this->watch->letGo($cooling, $now, $key, $this->current->author());

                return $this->edit->find(StoredReading::class, $key->toRfc4122());
            },
        );

        return new Answer($reading->toArray(), $new ? 201 : 200);
    }

    /** @return array<string, mixed> */
    private function state(Cooling $cooling): array
    {
        $samples = $this->watch->samples($cooling);
        $trace = CoolingTrace::of($samples);
        $setup = $cooling->run->setup;
        $catalogue = $this->shop->get();
        $agent = null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId);
        $releaseC = $catalogue->pairing($setup->materialId, $setup->fitting->surfaceId)?->releaseWithC($agent);

        return [
            'id' => $cooling->id->toRfc4122(),
            'state' => $cooling->state,
            'message' => $cooling->message,
            'simulated' => $cooling->simulated,
            'celsius' => $trace?->last()->celsius,
            'releaseC' => $releaseC,
            'secondsLeft' => null === $releaseC ? null : $trace?->secondsTo($releaseC, $cooling->run->roomC),
            'samples' => array_map(static fn (TemperatureSample $each): array => [$each->milliseconds, $each->celsius], self::thinned($samples)),
        ];
    }

    /**
     * @param list<TemperatureSample> $samples
     *
     * @return list<TemperatureSample> the last among them
     */
    private static function thinned(array $samples): array
    {
        $each = (int) ceil(\count($samples) / self::POINTS);
        $last = \count($samples) - 1;

        return array_values(array_filter($samples, static fn (int $i): bool => 0 === ($last - $i) % max(1, $each), \ARRAY_FILTER_USE_KEY));
    }
}
