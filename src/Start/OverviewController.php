<?php

declare(strict_types=1);

namespace App\Start;

use App\Account\CurrentUser;
use App\Account\Role;
use App\Care\PlateHistory;
use App\Evidence\LearnedShop;
use App\Keep\Profile;
use App\Platform\Backup\KnownKey;
use App\Platform\Http\Answer;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use App\Test\Comparison;
use App\Test\Job;
use App\Test\Run;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\JobStatus;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Life\WhatNext;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The start page: what is on the benches, and what comes next. */
final readonly class OverviewController
{
    private const MOST_CARE = 4;
    private const MOST_PRINTS = 3;
    private const MOST_PROFILES = 10;

    public function __construct(
        private EntityManagerInterface $entities,
        private PlateRepository $plates,
        private PlateHistory $history,
        private Catalogue $catalogue,
        private ClockInterface $clock,
        private CurrentUser $current,
        private KnownKey $backupKey,
        private LearnedShop $learned,
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
            'next' => $this->next($running, $open, $counts),
        ]);
    }

    /**
     * What whoever asks can do: what is under way, then what is overdue, then the rest.
     *
     * @param list<Run>                         $running
     * @param list<Comparison>                  $open
     * @param array<string, array<string, int>> $counts
     *
     * @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}>
     */
    private function next(array $running, array $open, array $counts): array
    {
        $role = $this->current->get()->role;

        return match ($role) {
            Role::Viewer => [],
            default => [
                ...self::underWay($running),
                ...$this->prints(),
                ...$this->reviews(),
                ...$this->care(),
                ...(Role::Lead === $role ? $this->unsigned() : []),
                ...self::open($open, $counts),
                ...(Role::Lead === $role ? $this->backups() : []),
            ],
        };
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
     * @param list<Run> $running
     *
     * @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}>
     */
    private static function underWay(array $running): array
    {
        return array_map(static fn (Run $run): array => [
            'kind' => 'run',
            'id' => $run->id->toRfc4122(),
            'title' => Sentence::of('next.run', run: Quantity::count($run->position)),
            'sentence' => Sentence::of('next.setup_on', setup: $run->setup->name(), printer: $run->comparison->printer->name),
        ], $running);
    }

    /**
     * @param list<Comparison>                  $open
     * @param array<string, array<string, int>> $counts
     *
     * @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}>
     */
    private static function open(array $open, array $counts): array
    {
        $next = [];
        foreach ($open as $comparison) {
            $count = $counts[$comparison->id->toRfc4122()] ?? [];
            $planned = $count[RunStatus::Planned->value] ?? 0;
            $what = match (WhatNext::of($comparison->status, $planned, $count[RunStatus::Running->value] ?? 0)) {
                WhatNext::Start => ['comparison', Sentence::of('next.start'), $comparison->title],
                WhatNext::Verdict => ['judgement', Sentence::of('next.verdict'), Sentence::of('next.all_done', title: $comparison->title)],
                WhatNext::NextRun => [
                    'comparison',
                    Sentence::of('next.next_run'),
                    Sentence::of('next.to_go', runs: Quantity::count($planned), title: $comparison->title),
                ],
                WhatNext::GoOn, WhatNext::Nothing => null,
            };
            if (null !== $what) {
                $next[] = ['kind' => $what[0], 'id' => $comparison->id->toRfc4122(), 'title' => $what[1], 'sentence' => $what[2]];
            }
        }

        return $next;
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}> */
    private function unsigned(): array
    {
        $waiting = $this->entities->getRepository(Profile::class)->findBy(['status' => Profile::UNSIGNED], ['createdAt' => 'ASC'], self::MOST_PROFILES);

        return array_map(static fn (Profile $profile): array => self::profile($profile, 'next.waits_for_lead'), $waiting);
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}> what nobody can catch up on when the disk is dead */
    private function backups(): array
    {
        $key = $this->backupKey->state();

        return 'to_write_down' !== ($key['state'] ?? null) ? [] : [[
            'kind' => 'backup',
            'id' => $key['id'],
            'title' => Sentence::of('next.backup_key'),
            'sentence' => Sentence::of('next.backup_key_lost'),
        ]];
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}> */
    private function reviews(): array
    {
        /** @var list<Profile> $due */
        $due = $this->entities->createQuery('SELECT p FROM '.Profile::class.' p WHERE p.status IN (:signed) AND p.reviewBy < :today ORDER BY p.reviewBy')
            ->setParameter('signed', [Profile::VALIDATED, Profile::TRIAL])->setParameter('today', $this->clock->now(), 'date_immutable')
            ->setMaxResults(self::MOST_PROFILES)->getResult();

        return array_map(static fn (Profile $profile): array => self::profile($profile, 'next.review'), $due);
    }

    /** @return array{kind: string, id: string, title: Sentence, sentence: string} */
    private static function profile(Profile $profile, string $title): array
    {
        return ['kind' => 'profile', 'id' => $profile->id->toRfc4122(), 'title' => Sentence::of($title), 'sentence' => $profile->title.'.'];
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}> prints that nobody has answered yet */
    private function prints(): array
    {
        $jobs = $this->entities->getRepository(Job::class)->findBy(['status' => JobStatus::Open], ['createdAt' => 'ASC', 'id' => 'ASC'], self::MOST_PRINTS);

        return array_map(static fn (Job $job): array => [
            'kind' => 'print',
            'id' => $job->id->toRfc4122(),
            'title' => Sentence::of('next.print', print: $job->title),
            'sentence' => Sentence::of('next.print_on', side: $job->side->label(), printer: $job->printer->name),
        ], $jobs);
    }

    /** @return list<array{kind: string, id: string, title: Sentence, sentence: Phrase|string}> one line for both sides of a plate */
    private function care(): array
    {
        $due = [];
        $history = $this->history->all();
        $worse = $this->learned->worseSheets();
        $today = $this->clock->now()->format(\DATE_ATOM);
        foreach ($this->plates->sidesOnShelf() as $side) {
            $counts = $history[$side->id];
            $coat = $this->catalogue->agents[$counts->coatAgentKindId ?? ''] ?? null;
            $care = new CareDue($counts, $coat, $this->catalogue->surface($side->surfaceId), $worse[$side->fittingId] ?? null, $this->catalogue, $today);
            $first = $care->sentences()[0] ?? null;
            if (null !== $first) {
                $due[$side->plateNumber][] = [$side->id, Sentence::of('next.care_sides', side: $side->label, what: $first)];
            }
        }
        $next = [];
        foreach (\array_slice($due, 0, self::MOST_CARE, true) as $plate => $sides) {
            $next[] = [
                'kind' => 'care',
                'id' => $sides[0][0],
                'title' => Sentence::of('next.care', plate: (string) $plate),
                'sentence' => Listing::of(array_column($sides, 1), Joined::Space),
            ];
        }

        return $next;
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
