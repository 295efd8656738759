<?php

declare(strict_types=1);

namespace App\Start;

use App\Care\PlateHistory;
use App\Catalogue\ShopCatalogue;
use App\Fix\KnownCauses;
use App\Platform\Database\StoredId;
use App\Platform\Database\UtcType;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\PlateRepository;
use App\Shelf\SideOnShelf;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Keep\PrintedInMonth;
use Sitzplatz\Keep\ReportLine;
use Sitzplatz\Keep\ShopReport;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Wear\Wear;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What came of the prints for use of some months, to be printed or taken over as a table. */
final readonly class ReportController
{
    private const USUAL_MONTHS = 12;
    private const MOST_MONTHS = 60;

    public function __construct(
        private EntityManagerInterface $entities,
        private PlateRepository $plates,
        private PlateHistory $history,
        private KnownCauses $causes,
        private ShopCatalogue $shop,
        private Now $now,
    ) {
    }

    #[Route('/api/report', name: 'getReport', methods: ['GET'])]
    public function report(Request $request): Answer
    {
        $from = $this->from($request);
        $report = ShopReport::of($this->printed($from));
        $catalogue = $this->shop->get();

        return new Answer([
            'from' => $from->format(\DATE_ATOM),
            'sentence' => $report->sentence(),
            'energy' => $report->energy(),
            'all' => self::line($report->all),
            'months' => array_map(
                static fn (string $month, ReportLine $line): array => ['month' => $month] + self::line($line),
                array_keys($report->months),
                $report->months,
            ),
            'materials' => array_map(
                static fn (string $id, ReportLine $line): array => ['name' => $catalogue->material($id)->name] + self::line($line),
                array_map(strval(...), array_keys($report->materials)),
                $report->materials,
            ),
            'ends' => array_map(
                static fn (string $end, int $prints): array => ['outcome' => $end, 'prints' => $prints],
                array_keys($report->ends),
                $report->ends,
            ),
            'causes' => $this->found($from),
            'agents' => $this->agents($from),
            'worn' => $this->worn(),
        ]);
    }

    #[Route('/api/report/table', name: 'exportReport', methods: ['GET'])]
    public function table(Request $request): Response
    {
        $out = fopen('php://memory', 'w+');
        \assert(false !== $out);
        fputcsv($out, ['month', 'prints', 'came_true', 'printed_minutes', 'lost_minutes', 'damaged', 'cost', 'energy_kwh', 'energy_known'], ',', '"', '');
        foreach (ShopReport::of($this->printed($this->from($request)))->months as $month => $line) {
            $cost = null === $line->cost ? '' : round($line->cost, 2);
            fputcsv($out, [
                $month, $line->prints, $line->cameTrue, round($line->minutes), round($line->lostMinutes), $line->damaged, $cost,
                round($line->energyWh / 1000, 2), $line->energyKnown,
            ], ',', '"', '');
        }
        rewind($out);

        return new Response((string) stream_get_contents($out), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="prints.csv"',
        ]);
    }

    private function from(Request $request): \DateTimeImmutable
    {
        $months = $request->query->get('months', (string) self::USUAL_MONTHS);
        if (!ctype_digit($months) || (int) $months < 1 || (int) $months > self::MOST_MONTHS) {
            throw Problem::invalid('months', 'Write how many months, from 1 to 60.');
        }

        return $this->now->time()->modify('-'.((int) $months - 1).' months')->modify('first day of this month')->setTime(0, 0);
    }

    /** @return list<PrintedInMonth> */
    private function printed(\DateTimeImmutable $from): array
    {
        $costs = $this->costs();
        $printed = [];
        foreach ($this->entities->getConnection()->iterateAssociative(
            'SELECT month, material_id, side_id, outcome, came_true, agent_id, SUM(prints) AS prints, SUM(minutes) AS minutes, SUM(damaged) AS damaged,
                SUM(energy_wh) AS energy_wh, SUM(energy_known) AS energy_known
             FROM job_tally WHERE month >= ? GROUP BY month, material_id, side_id, outcome, came_true, agent_id',
            [$from->format('Y-m')],
        ) as $row) {
            $cost = $costs(StoredId::text($row['side_id']), StoredId::textOrNull($row['agent_id']));
            $printed[] = new PrintedInMonth(
                (string) $row['month'],
                (string) $row['material_id'],
                StoredId::text($row['side_id']),
                Outcome::from((string) $row['outcome']),
                (bool) $row['came_true'],
                (int) $row['prints'],
                (float) $row['minutes'],
                (int) $row['damaged'],
                null === $cost ? null : $cost * (int) $row['prints'],
                (float) $row['energy_wh'],
                (int) $row['energy_known'],
            );
        }

        return $printed;
    }

    /** @return \Closure(string, ?string): ?float what a print on a side takes, with an agent of the shelf or bare */
    private function costs(): \Closure
    {
        $catalogue = $this->shop->get();
        $sides = array_column($this->plates->sidesOnShelf(), null, 'id');
        $stock = [];
        foreach ($this->entities->getRepository(AgentStock::class)->findAll() as $each) {
            $stock[$each->id->toRfc4122()] = $each;
        }

        return static function (string $sideId, ?string $agentId) use ($catalogue, $sides, $stock): ?float {
            $side = $sides[$sideId] ?? null;
            if (!$side instanceof SideOnShelf) {
                return null;
            }
            $agent = null === $agentId ? null : $stock[$agentId];

            return Wear::perPrint(
                Wear::ofPlatePerPrint($side->price, $catalogue->surface($side->surfaceId)),
                null === $agent ? null : $catalogue->agent($agent->kindId),
                $agent?->facts()->costPerCoat,
                $side->surfaceId,
            );
        };
    }

    /** @return list<array<string, mixed>> what was found to be wrong, the most frequent first */
    private function found(\DateTimeImmutable $from): array
    {
        $names = $this->causes->names();
        $found = [];
        foreach ($this->entities->getConnection()->iterateAssociative(
            'SELECT cause_id, COUNT(*) AS times FROM fix_case WHERE created_at >= ? GROUP BY cause_id ORDER BY times DESC, cause_id',
            [UtcType::text($from)],
        ) as $row) {
            $id = null === $row['cause_id'] ? null : (string) $row['cause_id'];
            $found[] = ['name' => null === $id ? null : $names[$id] ?? $id, 'times' => (int) $row['times']];
        }

        return $found;
    }

    /** @return list<array<string, mixed>> coats put on since then, and how many a stick, can or jar gives */
    private function agents(\DateTimeImmutable $from): array
    {
        $used = $this->entities->getConnection()->fetchAllKeyValue(
            "SELECT agent_id, COUNT(*) FROM care_event WHERE kind = 'coat' AND created_at >= ? GROUP BY agent_id",
            [UtcType::text($from)],
        );
        $agents = [];
        foreach ($this->entities->getRepository(AgentStock::class)->findBy(['retired' => false], ['name' => 'ASC']) as $stock) {
            $coats = (int) ($used[$stock->id->toBinary()] ?? 0);
            if ($coats > 0) {
                $agents[] = ['name' => $stock->name, 'coats' => $coats, 'gives' => $stock->coats];
            }
        }

        return $agents;
    }

    /** @return list<array<string, mixed>> sides whose sheet has seen more than its kind usually lasts, or nearly */
    private function worn(): array
    {
        $history = $this->history->all();
        $worn = [];
        foreach ($this->plates->sidesOnShelf() as $side) {
            $prints = $history[$side->id]->printsSinceFitting ?? 0;
            $surface = $this->shop->get()->surface($side->surfaceId);
            if (Wear::nearlyWorn($prints, $surface)) {
                $worn[] = [
                    'plateSideId' => $side->id,
                    'label' => $side->label,
                    'surfaceName' => $surface->name,
                    'prints' => $prints,
                    'usual' => $surface->lifePrints,
                ];
            }
        }
        usort($worn, static fn (array $a, array $b): int => $b['prints'] / $b['usual'] <=> $a['prints'] / $a['usual']);

        return $worn;
    }

    /** @return array<string, mixed> */
    private static function line(ReportLine $line): array
    {
        return [...get_object_vars($line), 'share' => $line->share(), 'costPerPrint' => $line->costPerPrint(), 'energyWhPerPrint' => $line->energyWhPerPrint()];
    }
}
