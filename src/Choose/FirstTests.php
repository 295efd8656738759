<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Catalogue\StoredKind;
use App\Catalogue\StoredSurface;
use App\Keep\ProfileMatch;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\FirstTest;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Keep\Job;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The comparisons that would tell whether a maker's chart is true here, with what the shop has. */
final readonly class FirstTests
{
    /** Where nobody said how warm it is at the bench. */
    public const ROOM_C = 21.0;

    public function __construct(
        private EntityManagerInterface $entities,
        private ShopCatalogue $shop,
        private SidesToday $sides,
        private AgentsOnShelf $agents,
        private OwnRunsRepository $ownRuns,
        private ProfileMatch $profiles,
        private CurrentUser $current,
    ) {
    }

    /** @return array{tests: list<array<string, mixed>>, missing: list<Sentence>} */
    public function of(StoredKind $kind): array
    {
        $catalogue = $this->shop->get();
        $surfaceId = $kind instanceof StoredSurface ? $kind->kindId() : null;
        $tests = $missing = $without = [];
        $printers = $this->printers();
        $stock = $this->agents->byKind();
        $lying = [];
        foreach ($this->materials($kind) as $materialId) {
            $lot = $this->entities->getRepository(Lot::class)->findOneBy(
                ['materialId' => $materialId, 'retired' => false],
                ['openedOn' => 'DESC', 'id' => 'DESC'],
            );
            if (null === $lot) {
                $without[] = $catalogue->material($materialId)->name;
                continue;
            }
            $test = null;
            foreach ($printers as $printer) {
                if (null === $test) {
                    $sides = $lying[$printer->id->toRfc4122()] ??= $this->sides->all($printer);
                    $test = $this->test($catalogue, $printer, $lot, $surfaceId, $sides, $stock);
                }
            }
            if (null === $test) {
                $missing[] = Sentence::of('first_tests.none', lot: new OwnText($lot->label));
            } else {
                $tests[] = $test;
            }
        }
        if ([] !== $without) {
            $missing[] = Sentence::of('first_tests.no_lot', materials: Listing::of($without, Joined::Or));
        }

        return ['tests' => $tests, 'missing' => $missing];
    }

    /** @return list<Printer> the one at this bench first */
    private function printers(): array
    {
        $bench = $this->current->get()->bench()['printerId'] ?? null;
        $printers = $this->entities->getRepository(Printer::class)->findBy(['retired' => false], ['name' => 'ASC']);
        usort($printers, static fn (Printer $a, Printer $b): int => ($b->id->toRfc4122() === $bench) <=> ($a->id->toRfc4122() === $bench));

        return $printers;
    }

    /** @return list<string> that the chart has something good to say of */
    private function materials(StoredKind $kind): array
    {
        $materials = [];
        foreach ($kind->chart() as $line) {
            if ($line->says->worthATry()) {
                $materials[$line->materialId] = $line->materialId;
            }
        }

        return array_values($materials);
    }

    /**
     * @param list<SideFacts>           $sides as they lie for this printer
     * @param array<string, AgentStock> $stock by kind
     *
     * @return array<string, mixed>|null
     */
    private function test(Catalogue $catalogue, Printer $printer, Lot $lot, ?string $surfaceId, array $sides, array $stock): ?array
    {
        $roomC = (float) ($this->current->get()->bench()['roomC'] ?? self::ROOM_C);
        $job = new JobRequest($catalogue->material($lot->materialId), $printer->facts($catalogue), $roomC, $lot->id->toRfc4122());
        $seats = $this->profiles->seats(
            $lot->materialId,
            [new Job($job->lotId, $printer->id->toRfc4122(), $job->roomC, $printer->enclosed, $job->minutes, $job->partCount)],
        );
        $experience = $this->ownRuns->experience($lot->materialId, $seats);
        // Of a surface its own sides, and those that something is proven on.
        $sides = array_values(array_filter(
            $sides,
            static fn (SideFacts $side): bool => null === $surfaceId || $side->surfaceId === $surfaceId
                || [] !== array_filter([null, ...array_keys($stock)], static fn (?string $agent): bool => null !== $experience->proven($job, $side, $agent)),
        ));
        $agents = array_values(array_map(static fn (AgentStock $agent) => $agent->facts(), $stock));
        $test = FirstTest::of(Ranking::of($catalogue, $job, $sides, $agents, $experience), $surfaceId);

        return null === $test ? null : [
            'materialId' => $lot->materialId,
            'lotId' => $lot->id->toRfc4122(),
            'printerId' => $printer->id->toRfc4122(),
            'roomC' => $roomC,
            'title' => Sentence::of('first_tests.title', lot: new OwnText($lot->label), material: $job->material->name, printer: new OwnText($printer->name)),
            'why' => Sentence::of($test->withProven ? 'first_tests.beside_proven' : 'first_tests.alone', runs: Quantity::count($test->runsEach)),
            'runsPerSetup' => $test->runsEach,
            'setups' => array_map(static fn (Candidate $candidate): array => [
                'plateSideId' => $candidate->proposal->side->id,
                'agentId' => null === $candidate->proposal->agent ? null : $stock[$candidate->proposal->agent->id]->id->toRfc4122(),
                'bedFirstC' => $candidate->target->displayC,
                'bedOtherC' => $candidate->proposal->bedOtherC ?? $candidate->target->displayC,
                'unheated' => null === $candidate->target->displayC,
                'label' => $candidate->proposal->label(),
                'surfaceName' => $candidate->proposal->surface->name,
                'dial' => null === $candidate->target->displayC ? null : Quantity::celsius($candidate->target->displayC, 1),
            ], $test->setups),
        ];
    }
}
