<?php

declare(strict_types=1);

namespace App\Start;

use App\Care\PlateHistory;
use App\Keep\Profile;
use App\Platform\Http\Answer;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use App\Test\Comparison;
use App\Test\Run;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The start page: what is on the benches, and what comes next. */
final readonly class OverviewController
{
    private const MOST_CARE = 4;

    public function __construct(
        private EntityManagerInterface $entities,
        private PlateRepository $plates,
        private PlateHistory $history,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    #[Route('/api/overview', name: 'getOverview', methods: ['GET'])]
    public function overview(): Answer
    {
        /** @var list<Run> $running */
        $running = $this->entities->createQuery('SELECT r, s, c, p FROM '
            .Run::class
            .' r JOIN r.setup s JOIN r.comparison c JOIN c.printer p WHERE r.status = :s ORDER BY r.startedAt')
            ->setParameter('s', RunStatus::Running)->getResult();
        $open = $this->entities->getRepository(Comparison::class)->findBy(
            ['status' => [ComparisonStatus::Running, ComparisonStatus::Draft]],
            ['createdAt' => 'ASC'],
        );
        $counts = $this->counts();

        return new Answer([
            'benches' => array_map(
                fn (Printer $printer): array => $this->bench($printer, $running, $open, $counts),
                $this->entities->getRepository(Printer::class)->findBy(['retired' => false], ['name' => 'ASC']),
            ),
            'next' => [...$this->tests($running, $open, $counts), ...$this->profiles(), ...$this->care()],
        ]);
    }

    /**
     * @param list<Run>                         $running
     * @param list<Comparison>                  $open
     * @param array<string, array<string, int>> $counts
     *
     * @return array<string, mixed>
     */
    private function bench(Printer $printer, array $running, array $open, array $counts): array
    {
        $run = null;
        foreach ($running as $each) {
            $run ??= $each->comparison->printer === $printer ? $each : null;
        }
        $comparison = $run?->comparison;
        foreach ($open as $each) {
            $comparison ??= ComparisonStatus::Running === $each->status && $each->printer === $printer ? $each : null;
        }
        $count = null === $comparison ? [] : $counts[$comparison->id->toRfc4122()] ?? [];

        return [
            'printerId' => $printer->id->toRfc4122(),
            'printerName' => $printer->name,
            'kind' => $printer->kind,
            'comparison' => null === $comparison ? null : [
                'id' => $comparison->id->toRfc4122(),
                'title' => $comparison->title,
                'done' => $count[RunStatus::Done->value] ?? 0,
                'total' => ($count[RunStatus::Done->value] ?? 0) + ($count[RunStatus::Running->value] ?? 0) + ($count[RunStatus::Planned->value] ?? 0),
            ],
            'run' => null === $run ? null : [
                'id' => $run->id->toRfc4122(),
                'position' => $run->position,
                'setupName' => $run->setup->name(),
                'step' => $run->step,
                'since' => $run->stepBeganAt?->format(\DATE_ATOM),
            ],
        ];
    }

    /**
     * @param list<Run>                         $running
     * @param list<Comparison>                  $open
     * @param array<string, array<string, int>> $counts
     *
     * @return list<array{kind: string, id: string, title: Sentence, sentence: Sentence|string}>
     */
    private function tests(array $running, array $open, array $counts): array
    {
        $next = [];
        foreach ($running as $run) {
            $next[] = [
                'kind' => 'run',
                'id' => $run->id->toRfc4122(),
                'title' => Sentence::of('next.run', run: Quantity::count($run->position)),
                'sentence' => Sentence::of('next.setup_on', setup: $run->setup->name(), printer: $run->comparison->printer->name),
            ];
        }
        foreach ($open as $comparison) {
            $id = $comparison->id->toRfc4122();
            $count = $counts[$id] ?? [];
            $planned = $count[RunStatus::Planned->value] ?? 0;
            if (ComparisonStatus::Draft === $comparison->status) {
                $next[] = ['kind' => 'comparison', 'id' => $id, 'title' => Sentence::of('next.start'), 'sentence' => $comparison->title];
            } elseif (0 === $planned && 0 === ($count[RunStatus::Running->value] ?? 0)) {
                $next[] = [
                    'kind' => 'judgement',
                    'id' => $id,
                    'title' => Sentence::of('next.verdict'),
                    'sentence' => Sentence::of('next.all_done', title: $comparison->title),
                ];
            } elseif (0 === ($count[RunStatus::Running->value] ?? 0)) {
                $next[] = [
                    'kind' => 'comparison',
                    'id' => $id,
                    'title' => Sentence::of('next.next_run'),
                    'sentence' => Sentence::of('next.to_go', runs: Quantity::count($planned), title: $comparison->title),
                ];
            }
        }

        return $next;
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Sentence|string}> */
    private function profiles(): array
    {
        $next = [];
        foreach ($this->entities->getRepository(Profile::class)->findBy(['status' => Profile::UNSIGNED], ['createdAt' => 'ASC'], 10) as $profile) {
            $next[] = [
                'kind' => 'profile',
                'id' => $profile->id->toRfc4122(),
                'title' => Sentence::of('next.waits_for_lead'),
                'sentence' => $profile->title.'.',
            ];
        }
        /** @var list<Profile> $due */
        $due = $this->entities->createQuery('SELECT p FROM '.Profile::class.' p WHERE p.status IN (:signed) AND p.reviewBy < :today ORDER BY p.reviewBy')
            ->setParameter('signed', [Profile::VALIDATED, Profile::TRIAL])->setParameter('today', $this->clock->now(), 'date_immutable')
            ->setMaxResults(10)->getResult();
        foreach ($due as $profile) {
            $next[] = ['kind' => 'profile', 'id' => $profile->id->toRfc4122(), 'title' => Sentence::of('next.review'), 'sentence' => $profile->title.'.'];
        }

        return $next;
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Sentence|string}> */
    private function care(): array
    {
        $next = [];
        $history = $this->history->all();
        foreach ($this->plates->sidesOnShelf() as $side) {
            $counts = $history[$side->id];
            foreach ((new CareDue($counts, $this->catalogue->agents[$counts->coatAgentKindId ?? ''] ?? null))->sentences() as $sentence) {
                $next[] = [
                    'kind' => 'care',
                    'id' => $side->id,
                    'title' => Sentence::of('next.care', side: $side->label),
                    'sentence' => $sentence,
                ];
                break;
            }
        }

        return \array_slice($next, 0, self::MOST_CARE);
    }

    /** @return array<string, array<string, int>> */
    private function counts(): array
    {
        /** @var list<array{comparison: string, status: RunStatus, n: int}> $rows */
        $rows = $this->entities->createQuery('SELECT IDENTITY(r.comparison) AS comparison, r.status AS status, COUNT(r.id) AS n FROM '
            .Run::class
            .' r JOIN r.comparison c WHERE c.status = :running GROUP BY r.comparison, r.status')
            ->setParameter('running', ComparisonStatus::Running)->getResult();
        $counts = [];
        foreach ($rows as $row) {
            $counts[Uuid::fromString($row['comparison'])->toRfc4122()][$row['status']->value] = $row['n'];
        }

        return $counts;
    }
}
