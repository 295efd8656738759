<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Http\Answer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\BenchPlan;
use Sitzplatz\Test\BenchRun;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\PlacedRun;
use Sitzplatz\Test\Timetable;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;

/** What waits at each printer, laid out from now on over all of them at once. */
final readonly class BenchesController
{
    /** Of each printer; further away nobody plans by it. */
    private const MOST_RUNS = 60;

    public function __construct(private EntityManagerInterface $entities)
    {
    }

    #[Route('/api/benches', name: 'listBenches', methods: ['GET'])]
    public function list(): Answer
    {
        $runs = $queues = $more = [];
        foreach ($this->waiting() as $run) {
            $printer = $run->comparison->printer->id->toRfc4122();
            $id = $run->id->toRfc4122();
            if (\count($queues[$printer] ?? []) >= self::MOST_RUNS) {
                $more[$printer] = ($more[$printer] ?? 0) + 1;
                continue;
            }
            $runs[$id] = $run;
            $queues[$printer][] = new BenchRun(
                $id,
                $run->setup->side->plate->id->toRfc4122(),
                $run->comparison->runDurations()->phases($run->pull, $run->plateChange),
            );
        }
        $plan = BenchPlan::of($queues);
        $names = [];
        foreach ($runs as $run) {
            $names[$run->comparison->printer->id->toRfc4122()] = $run->comparison->printer->name;
        }
        asort($names);

        return new Answer([
            'dayMinutes' => Timetable::DAY_MINUTES,
            'days' => $plan->days,
            'handsMinutes' => $plan->handsMinutes,
            'benches' => array_map(static fn (string $id): array => [
                'printerId' => $id,
                'printerName' => $names[$id],
                'minutes' => array_sum(array_map(static fn (PlacedRun $each): float => $each->run->minutes(), $plan->runs[$id])),
                'materialMm3' => self::materialMm3(array_map(static fn (PlacedRun $each): Run => $runs[$each->run->id], $plan->runs[$id])),
                'moreRuns' => $more[$id] ?? 0,
                'runs' => array_map(static fn (PlacedRun $each): array => self::placed($each, $runs[$each->run->id], $names), $plan->runs[$id]),
            ], array_map(strval(...), array_keys($names))),
        ]);
    }

    /** @return list<Run> begun before planned, in the order in which they are made, comparison by comparison */
    private function waiting(): array
    {
        /** @var list<Run> $runs */
        $runs = $this->entities->createQuery(
            'SELECT r, c, p, s, ps, pl FROM '.Run::class.' r JOIN r.comparison c JOIN c.printer p JOIN r.setup s JOIN s.side ps JOIN ps.plate pl
             WHERE c.status = :going AND r.status IN (:open)',
        )->setParameter('going', ComparisonStatus::Running)->setParameter('open', [RunStatus::Planned, RunStatus::Running])->getResult();
        $place = static fn (Run $run): array => [
            RunStatus::Running !== $run->status,
            $run->comparison->startedAt,
            $run->comparison->id->toRfc4122(),
            $run->comparison->coatStays() ? $run->visit : 0,
            $run->position,
        ];
        usort($runs, static fn (Run $a, Run $b): int => $place($a) <=> $place($b));

        return $runs;
    }

    /** @param list<Run> $runs */
    private static function materialMm3(array $runs): float
    {
        return array_sum(array_map(static fn (Run $run): float => $run->comparison->piece()->mostMm3() * $run->comparison->partsPerRun(), $runs));
    }

    /**
     * @param array<string, string> $printers names by id
     *
     * @return array<string, mixed>
     */
    private static function placed(PlacedRun $placed, Run $run, array $printers): array
    {
        return [
            'runId' => $placed->run->id,
            'comparisonId' => $run->comparison->id->toRfc4122(),
            'title' => $run->comparison->title,
            'position' => $run->position,
            'setup' => $run->setup->position,
            'sideLabel' => $run->setup->side->label(),
            'pull' => $run->comparison->taken()->pulls ? $run->pull->value : null,
            'status' => $run->status->value,
            'day' => $placed->day,
            'atMinutes' => $placed->atMinutes,
            'phases' => $placed->run->phases,
            'waits' => null === $placed->waitsForPrinterId ? null : Sentence::of(
                'bench.waits',
                run: Quantity::count($run->position),
                minutes: Quantity::minutes($placed->waitsMinutes),
                plate: $run->setup->side->plate->number,
                printer: $printers[$placed->waitsForPrinterId],
            ),
        ];
    }
}
