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
    private const ROOM_C = 20.0;

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
        $known = [] === $jobs ? 0 : \count(array_filter($jobs, fn (Job $job): bool => null !== $this->entities->find(Job::class, $job->id)));
        if ($body['take'] && [] !== $faults) {
            throw Problem::faults(array_map(
                static fn (array $fault): array => ['field' => 'line '.$fault['line'], 'message' => $fault['message']],
                \array_slice($faults, 0, self::MOST_SHOWN),
            ));
        }
        if ($body['take']) {
            $this->take($jobs);
        }

        return new Answer([
            'prints' => \count($jobs),
            'known' => $known,
            'open' => \count(array_filter($jobs, static fn (Job $job): bool => null === $job->outcome)),
            'faults' => \array_slice($faults, 0, self::MOST_SHOWN),
        ], $body['take'] ? 201 : 200);
    }

    /** @param list<Job> $jobs */
    private function take(array $jobs): void
    {
        try {
            $this->transaction->run(function () use ($jobs): void {
                foreach ($jobs as $job) {
                    if (null === $this->entities->find(Job::class, $job->id)) {
                        $this->entities->persist($job);
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
            $jobs[] = $this->job(
                $line,
                $printers[mb_strtolower($line->printer)],
                $sides[mb_strtolower($line->plate)],
                '' === $line->agent ? null : $agents[mb_strtolower($line->agent)],
                $lot,
                $material,
            );
        }

        return [[] === $faults ? $jobs : [], $faults];
    }

    /** What lay on a side then: a log of last year wears no sheet of today. Before the first that is known, the first. */
    private function sheetThen(PlateSide $side, \DateTimeImmutable $at): ?Fitting
    {
        $sheets = $this->entities->getRepository(Fitting::class)->findBy(['side' => $side], ['createdAt' => 'ASC', 'id' => 'ASC']);
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

    private function job(JobsCsvLine $line, Printer $printer, PlateSide $side, ?AgentStock $agent, ?Lot $lot, string $material): Job
    {
        $began = new \DateTimeImmutable($line->began);
        $by = $this->current->author();
        $id = Uuid::v5(Uuid::fromString(self::LINES), mb_strtolower("$line->began/$line->printer/$line->plate/$line->title"));
        $job = new Job($id, $began, $printer, $side, $material, new Author($by->id, $by->name), $this->sheetThen($side, $began));
        $job->title = $line->title;
        $job->agent = $agent;
        $job->lot = $lot;
        $job->bedFirstC = $job->bedOtherC = $line->bedC;
        $job->roomC = self::ROOM_C;
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
