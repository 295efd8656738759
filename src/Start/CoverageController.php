<?php

declare(strict_types=1);

namespace App\Start;

use App\Catalogue\ShopCatalogue;
use App\Choose\Questions;
use App\Keep\PrintedLately;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Keep\Coverage;
use Sitzplatz\Keep\Printed;
use Sitzplatz\Keep\SeatState;
use Sitzplatz\Keep\Serving;
use Sitzplatz\Keep\SignedSeat;
use Sitzplatz\Keep\SmallestSet;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What the shop prints against what it has proven, and the fewest plates and agents that would do. */
final readonly class CoverageController
{
    private const DAYS = 365;
    /** As many gaps as anybody closes. */
    private const GAPS = 20;
    private const AT_LEAST = 0.6;

    public function __construct(
        private EntityManagerInterface $entities,
        private PrintedLately $printed,
        private PlateRepository $plates,
        private Questions $questions,
        private ShopCatalogue $shop,
        private Now $now,
    ) {
    }

    #[Route('/api/coverage', name: 'getCoverage', methods: ['GET'])]
    public function coverage(): Answer
    {
        $catalogue = $this->shop->get();
        $printed = $this->lately();
        $signed = $this->printed->signed();
        $coverage = Coverage::of($printed, $signed);
        $sides = array_column($this->plates->sidesOnShelf(), null, 'id');
        $printers = $this->printers();
        $materials = array_values(array_unique([
            ...array_map(static fn (Printed $each): string => $each->materialId, $printed),
            ...array_map(static fn (SignedSeat $seat): string => $seat->materialId, $signed),
        ]));
        $surfaces = array_values(array_unique([
            ...array_map(static fn (Printed $each): string => $each->surfaceId, $printed),
            ...array_map(static fn (SideOnShelf $side): string => $side->surfaceId, array_values($sides)),
        ]));

        return new Answer([
            'days' => self::DAYS,
            'sentence' => $coverage->sentence(),
            'materials' => array_map(static fn (string $id): array => ['id' => $id, 'name' => $catalogue->material($id)->name], $materials),
            'surfaces' => array_map(static fn (string $id): array => ['id' => $id, 'name' => $catalogue->surface($id)->name], $surfaces),
            'cells' => self::cells($printed, $signed, $materials, $surfaces),
            'gaps' => array_map(static fn (Printed $gap): array => [
                'materialId' => $gap->materialId,
                'materialName' => $catalogue->material($gap->materialId)->name,
                'printerId' => $gap->printerId,
                'printerName' => $printers[$gap->printerId] ?? '',
                'sideLabel' => $sides[$gap->sideId]->label ?? null,
                'surfaceName' => $catalogue->surface($gap->surfaceId)->name,
                'agentName' => null === $gap->agentId ? null : $catalogue->agent($gap->agentId)->name,
                'bedC' => $gap->bedC,
                'exposureS' => $gap->exposureS,
                'prints' => $gap->prints,
                'cameTrue' => $gap->cameTrue,
            ], \array_slice($coverage->gaps, 0, self::GAPS)),
        ]);
    }

    #[Route('/api/coverage/smallest-set', name: 'getSmallestSet', methods: ['GET'])]
    public function smallest(Request $request): Answer
    {
        $asked = $request->query->get('atLeast', (string) self::AT_LEAST);
        if (!is_numeric($asked) || $asked < 0.1 || $asked > 0.99) {
            throw Problem::invalid('atLeast', 'Write a share from 0.1 to 0.99.');
        }
        $atLeast = (float) $asked;
        $printed = $this->lately();
        $printers = $this->printers();
        $needs = $words = $ways = [];
        foreach ($printed as $each) {
            $need = $each->materialId.'/'.$each->printerId;
            if (isset($needs[$need]) || !isset($printers[$each->printerId])) {
                continue;
            }
            $words[$need] = Sentence::of('need', material: $this->shop->get()->material($each->materialId)->name, printer: $printers[$each->printerId]);
            $ways[$each->materialId] ??= $this->ways($each->materialId);
            $needs[$need] = $ways[$each->materialId][$each->printerId] ?? [];
        }
        $enough = array_map(static fn (array $ways): array => array_values(array_filter(
            $ways,
            static fn (Serving $way): bool => $way->atLeast >= $atLeast,
        )), $needs);
        $set = SmallestSet::of($enough);
        $numbers = $this->plateNumbers();

        return new Answer([
            'atLeast' => $atLeast,
            'sentence' => Sentence::of(
                match (true) {
                    [] === $set->plates => 'smallest.none',
                    $set->exact => 'smallest.exact',
                    $set->atLeastPlates === \count($set->plates) => 'smallest.fewest_plates',
                    default => 'smallest.so_far',
                },
                plates: Quantity::count(\count($set->plates)),
                agents: Quantity::count(\count($set->agents)),
                needs: Quantity::count(\count($set->ways)),
                atLeast: Quantity::share($atLeast),
                fewest: Quantity::count($set->atLeastPlates),
                all: Quantity::count(\count($numbers)),
            ),
            'plates' => array_map(fn (string $plate): array => [
                'plateId' => $plate,
                'number' => $numbers[$plate] ?? '',
                'serves' => $this->served($set, $plate, $words),
            ], $set->plates),
            'unserved' => array_map(static fn (string $need): Sentence => $words[$need], $set->unserved),
            'spare' => $this->spare($set, $needs, $numbers, $printed),
        ]);
    }

    /** @return list<Printed> */
    private function lately(): array
    {
        return $this->printed->since($this->now->time()->modify('-'.self::DAYS.' days'));
    }

    /** @return array<string, string> names of those in use, by id */
    private function printers(): array
    {
        $names = [];
        foreach ($this->entities->getRepository(Printer::class)->findBy(['retired' => false]) as $printer) {
            $names[$printer->id->toRfc4122()] = $printer->name;
        }

        return $names;
    }

    /** @return array<string, string> of those in use, by id */
    private function plateNumbers(): array
    {
        $numbers = [];
        foreach ($this->plates->sidesOnShelf() as $side) {
            $numbers[$side->plateId] = $side->plateNumber;
        }

        return $numbers;
    }

    /**
     * @param list<Printed>    $printed
     * @param list<SignedSeat> $signed
     * @param list<string>     $materials
     * @param list<string>     $surfaces
     *
     * @return list<array<string, mixed>> of those of which anything is known
     */
    private static function cells(array $printed, array $signed, array $materials, array $surfaces): array
    {
        $prints = $seats = $cells = [];
        foreach ($printed as $each) {
            $prints[$each->materialId][$each->surfaceId][] = $each;
        }
        foreach ($signed as $seat) {
            $seats[$seat->materialId][$seat->surfaceId][] = $seat;
        }
        foreach ($materials as $material) {
            foreach ($surfaces as $surface) {
                $here = $prints[$material][$surface] ?? [];
                $stand = $seats[$material][$surface] ?? [];
                $state = SeatState::of($stand, [] !== $here);
                $best = SeatState::best($stand);
                if (SeatState::Nothing !== $state) {
                    $cells[] = [
                        'materialId' => $material,
                        'surfaceId' => $surface,
                        'state' => $state->value,
                        'words' => $state->words(),
                        'profileId' => $best?->profileId,
                        'reach' => $best?->reach(),
                        'prints' => array_sum(array_map(static fn (Printed $each): int => $each->prints, $here)),
                        'cameTrue' => array_sum(array_map(static fn (Printed $each): int => $each->cameTrue, $here)),
                        'lastTrue' => max([null, ...array_map(static fn (Printed $each): ?string => $each->lastTrue, $here)]),
                    ];
                }
            }
        }

        return $cells;
    }

    /** @return array<string, list<Serving>> all that practice and own prints know of a material, by printer */
    private function ways(string $materialId): array
    {
        $question = $this->questions->of(['materialId' => $materialId, 'printerId' => null, 'lotId' => null, 'roomC' => 20, 'partCount' => 1]);
        $ways = [];
        foreach ($question->jobs as $on) {
            // Their order does not matter here; a plate is looked at on the printer that it belongs to.
            foreach (Ranking::over($question->catalogue, [$on], $question->agents(), $question->experience, 1)->candidates as $candidate) {
                $ways[$on->job->printer->id][] = new Serving(
                    $candidate->proposal->side->plateId,
                    $candidate->proposal->agent?->id,
                    min($candidate->hold->interval()->low, $candidate->release->interval()->low),
                );
            }
        }

        return $ways;
    }

    /**
     * @param array<string, Sentence> $words
     *
     * @return list<array<string, mixed>> what a plate of the set is for
     */
    private function served(SmallestSet $set, string $plate, array $words): array
    {
        $served = [];
        foreach ($set->ways as $need => $way) {
            if ($way->plateId === $plate) {
                $served[] = [
                    'words' => $words[$need],
                    'agentName' => null === $way->agentId ? null : $this->shop->get()->agent($way->agentId)->name,
                    'atLeast' => $way->atLeast,
                ];
            }
        }

        return $served;
    }

    /**
     * Plates beside the set: what each would add, and how often it was printed on.
     *
     * @param array<string, list<Serving>> $needs
     * @param array<string, string>        $numbers
     * @param list<Printed>                $printed
     *
     * @return list<array<string, mixed>>
     */
    private function spare(SmallestSet $set, array $needs, array $numbers, array $printed): array
    {
        $sides = array_column($this->plates->sidesOnShelf(), 'plateId', 'id');
        $spare = [];
        foreach (array_diff_key($numbers, array_flip($set->plates)) as $plate => $number) {
            $surer = 0;
            foreach ($set->ways as $need => $chosen) {
                $best = max([0.0, ...array_map(static fn (Serving $way): float => $way->plateId === $plate ? $way->atLeast : 0.0, $needs[$need])]);
                $surer += (int) ($best > $chosen->atLeast + 1e-9);
            }
            $prints = array_sum(array_map(
                static fn (Printed $each): int => ($sides[$each->sideId] ?? null) === $plate ? $each->prints : 0,
                $printed,
            ));
            $spare[] = ['plateId' => $plate, 'number' => $number, 'surer' => $surer, 'prints' => $prints];
        }
        usort($spare, static fn (array $a, array $b): int => [$b['surer'], $b['prints']] <=> [$a['surer'], $a['prints']]);

        return $spare;
    }
}
