<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\JobsCsv;
use Sitzplatz\Test\JobsCsvLine;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A log of prints for use comes in as a table: looked at with its faults line by line, then taken all or not at all. */
final readonly class JobImportController
{
    /** Of the keys of lines: what is read in twice is the same print. */
    private const LINES = '6f1c1d1e-6f0b-5c3e-9a6e-3d2b9f4f7a10';
    private const MOST_SHOWN = 100;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private Transaction $transaction,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private Audit $audit,
    ) {
    }

    #[Route('/api/jobs/import', name: 'importJobs', methods: ['POST'], priority: 1)]
    public function import(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $table = JobsCsv::read($body['table']);
        [$jobs, $faults] = [] === $table->faults ? $this->jobs($table->lines) : [[], $table->faults];
        $known = $this->known($jobs);
        if ($body['take'] && [] !== $faults) {
            throw Problem::faults(array_map(
                static fn (array $fault): array => ['field' => 'line '.$fault['line'], 'message' => $fault['message']],
                \array_slice($faults, 0, self::MOST_SHOWN),
            ));
        }
        if ($body['take']) {
            $this->take($jobs, $known);
        }

        return new Answer([
            'prints' => \count($jobs),
            'known' => \count(array_filter($jobs, static fn (Job $job): bool => isset($known[$job->id->toRfc4122()]))),
            'open' => \count(array_filter($jobs, static fn (Job $job): bool => null === $job->outcome)),
            'faults' => \array_slice($faults, 0, self::MOST_SHOWN),
        ], $body['take'] ? 201 : 200);
    }

    /**
     * @param list<Job> $jobs
     *
     * @return array<string, true> by their ids, those that were read in before
     */
    private function known(array $jobs): array
    {
        $ids = $this->entities->getConnection()->fetchFirstColumn(
            'SELECT id FROM job WHERE id IN (?)',
            [array_map(static fn (Job $job): string => $job->id->toBinary(), $jobs)],
            [ArrayParameterType::BINARY],
        );

        return array_fill_keys(array_map(static fn (string $id): string => Uuid::fromBinary($id)->toRfc4122(), $ids), true);
    }

    /**
     * @param list<Job>           $jobs
     * @param array<string, true> $known by their ids, those that were read in before
     */
    private function take(array $jobs, array $known): void
    {
        try {
            $this->transaction->run(function () use ($jobs, $known): void {
                foreach ($jobs as $job) {
                    $id = $job->id->toRfc4122();
                    if (!isset($known[$id])) {
                        $this->entities->persist($job);
                        $known[$id] = true;
                    }
                }
                $this->audit->note('prints imported', Uuid::v7(), ['prints' => \count($jobs)]);
                $this->entities->flush();
            });
        } catch (UniqueConstraintViolationException $twice) {
            throw Problem::invalid('table', 'The same lines were read in at the same time. Choose the table again.', 409, $twice);
        }
    }

    /**
     * @param list<JobsCsvLine> $lines
     *
     * @return array{list<Job>, list<array{line: int, message: Sentence}>}
     */
    private function jobs(array $lines): array
    {
        $printers = $this->named(Printer::class, static fn (Printer $each): string => $each->name);
        $agents = $this->named(AgentStock::class, static fn (AgentStock $each): string => $each->name);
        $lots = $this->named(Lot::class, static fn (Lot $each): string => $each->label);
        $sides = $this->named(PlateSide::class, static fn (PlateSide $each): string => $each->label());
        $sheets = $this->sheets();
        $jobs = $faults = [];
        foreach ($lines as $line) {
            $lot = $lots[mb_strtolower($line->lot)] ?? null;
            $material = '' === $line->material ? $lot->materialId ?? '' : mb_strtolower($line->material);
            $fault = match (true) {
                !isset($printers[mb_strtolower($line->printer)]) => Sentence::of('jobs_csv.no_such', column: 'printer', name: $line->printer),
                !isset($sides[mb_strtolower($line->plate)]) => Sentence::of('jobs_csv.no_such', column: 'plate', name: $line->plate),
                '' !== $line->agent && !isset($agents[mb_strtolower($line->agent)]) => Sentence::of('jobs_csv.no_such', column: 'agent', name: $line->agent),
                '' !== $line->lot && null === $lot => Sentence::of('jobs_csv.no_such', column: 'lot', name: $line->lot),
                !isset($this->shop->get()->materials[$material]) => Sentence::of('jobs_csv.no_such', column: 'material', name: $line->material),
                default => null,
            };
            if (null !== $fault) {
                $faults[] = ['line' => $line->number, 'message' => $fault];
                continue;
            }
            $side = $sides[mb_strtolower($line->plate)];
            $jobs[] = $this->job(
                $line,
                $printers[mb_strtolower($line->printer)],
                $side,
                self::sheetThen($sheets[$side->id->toRfc4122()] ?? [], new \DateTimeImmutable($line->began)),
                '' === $line->agent ? null : $agents[mb_strtolower($line->agent)],
                $lot,
                $material,
            );
        }

        return [[] === $faults ? $jobs : [], $faults];
    }

    /** @return array<string, non-empty-list<Fitting>> by side, the oldest first */
    private function sheets(): array
    {
        $sheets = [];
        foreach ($this->entities->getRepository(Fitting::class)->findBy([], ['createdAt' => 'ASC', 'id' => 'ASC']) as $sheet) {
            $sheets[$sheet->side->id->toRfc4122()][] = $sheet;
        }

        return $sheets;
    }

    /**
     * What lay on a side then: a log of last year wears no sheet of today. Before the first that is known, the first.
     *
     * @param list<Fitting> $sheets of the side, the oldest first
     */
    private static function sheetThen(array $sheets, \DateTimeImmutable $at): ?Fitting
    {
        $then = $sheets[0] ?? null;
        foreach ($sheets as $sheet) {
            $then = $sheet->createdAt <= $at ? $sheet : $then;
        }

        return $then;
    }

    /**
     * @template T of object
     *
     * @param class-string<T>     $class
     * @param \Closure(T): string $name
     *
     * @return array<string, T> all there are, by their name in small letters
     */
    private function named(string $class, \Closure $name): array
    {
        $named = [];
        foreach ($this->entities->getRepository($class)->findAll() as $each) {
            $named[mb_strtolower($name($each))] = $each;
        }

        return $named;
    }

    private function job(JobsCsvLine $line, Printer $printer, PlateSide $side, ?Fitting $sheet, ?AgentStock $agent, ?Lot $lot, string $material): Job
    {
        $began = new \DateTimeImmutable($line->began);
        $by = $this->current->author();
        $id = Uuid::v5(Uuid::fromString(self::LINES), mb_strtolower("$line->began/$line->printer/$line->plate/$line->title"));
        $job = new Job($id, $began, $printer, $side, $material, new Author($by->id, $by->name), $sheet);
        $job->title = $line->title;
        $job->agent = $agent;
        $job->lot = $lot;
        $job->bedFirstC = $job->bedOtherC = $line->bedC;
        $job->roomC = $line->roomC;
        $job->hasEnclosure = $printer->enclosed;
        $job->chamberC = $printer->chamberC;
        $job->parts = $line->parts;
        $job->plannedMinutes = $line->minutes;
        $job->note = $line->note;
        if (null !== $line->ended) {
            $ended = $began->modify(\sprintf('+%d seconds', (int) round(60 * ($line->minutes ?? 0.0))));
            $effort = $line->ended->pullPossible() ? $line->effort : null;
            $job->answer(new JobAnswer($line->ended, $effort, $line->damaged, $line->minutes), $line->note, $by, $ended);
        }

        return $job;
    }
}
