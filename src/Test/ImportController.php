<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\PaperRuns;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\TableFormats;
use Sitzplatz\Test\TableMatch;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Readings from paper: a CSV table is previewed with its faults line by line, then taken all or not at all. */
final readonly class ImportController
{
    private const MOST_SHOWN = 200;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private RunRepository $runs,
        private RunBook $book,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
        private Measures $measures,
        private TableFormats $tables,
    ) {
    }

    #[Route('/api/comparisons/{id}/import-preview', name: 'previewImport', methods: ['POST'])]
    public function preview(string $id, Request $request): Answer
    {
        $comparison = $this->edit->find(Comparison::class, $id);
        $body = $this->contract->body($request);

        return new Answer($this->plan($comparison, $body)['preview']);
    }

    #[Route('/api/comparisons/{id}/import', name: 'importReadings', methods: ['POST'])]
    public function import(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $preview = [];
        $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body, &$preview): void {
            $plan = $this->plan($comparison, $body);
            $preview = $plan['preview'];
            if ([] !== $plan['faults']) {
                throw Problem::faults(array_map(
                    static fn (array $fault): array => ['field' => 'line '.$fault['line'], 'message' => $fault['message']],
                    \array_slice($plan['faults'], 0, self::MOST_SHOWN),
                ));
            }
            $by = $this->current->author();
            foreach ($plan['runs'] as $runId => $paper) {
                $run = $this->edit->locked(Run::class, $runId);
                $facts = RunCommands::asked(fn (): array => RunLife::fromPaper(
                    $this->book->state($run, $this->now->time()),
                    $paper['readings'],
                    $paper['void'],
                    $this->runs->lastPosition($comparison),
                ));
                $this->book->write($run, $facts, $by, $this->now->time(), ReadingSource::table($plan['written']));
                ++$run->version;
                // A void run plans another, whose place the next one has to know.
                $this->entities->flush();
            }
            $this->remember($plan['match'], $body['table']);
            $this->rememberNames($comparison, $plan['names']);
            $this->audit->note('readings imported', $comparison->id, ['runs' => $preview['runs'], 'readings' => $preview['readings']]);
        });

        return new Answer($preview, 201);
    }

    /**
     * @param array<string, mixed>                      $body  the table, and maybe how it is to be read
     * @param list<array{given: string, setup: string}> $named what an earlier table called its setups, as far as nobody says otherwise
     *
     * @return array{
     *     preview: non-empty-array<string, mixed>,
     *     faults: list<array{line: int, message: Sentence}>,
     *     runs: array<string, array{readings: list<Reading>, void: bool}>,
     *     written: \WeakMap<Reading, array{value: float, unit: string}>,
     *     match: ?TableMatch,
     *     names: array<string>,
     * } match is null where the table is the usual one
     */
    private function plan(Comparison $comparison, array $body, array $named = []): array
    {
        RunCommands::asked(static fn () => ComparisonLife::takeTable($comparison->status));
        $names = array_values($comparison->setups->map(static fn (Setup $setup): string => $setup->label)->toArray());
        [$lines, $from, $match, $columns] = $this->lines($body, $names, $named);
        $csv = ReadingsCsv::read($lines, $this->measures);
        $at = static fn (int $line): int => $from[$line - 1] ?? $line;
        $faults = null !== $match && [] === $match->readings ? [['line' => 1, 'message' => Sentence::of('table.match')]] : array_map(
            static fn (array $fault): array => ['line' => $at($fault['line']), 'message' => $fault['message']],
            $csv->faults,
        );
        $paper = $setupOf = [];
        if ([] === $faults) {
            $open = [];
            foreach ($this->runs->of($comparison) as $run) {
                $id = $run->id->toRfc4122();
                $setupOf[$id] = $run->setup->label;
                if (RunStatus::Planned === $run->status) {
                    $open[] = ['id' => $id, 'setup' => $run->setup->label, 'pull' => $run->pull];
                }
            }
            $assigned = PaperRuns::assign($csv->rows, $open, $names);
            $faults = array_map(static fn (array $fault): array => ['line' => $at($fault['line']), 'message' => $fault['message']], $assigned->faults);
            $paper = $assigned->runs;
        }
        $setups = [];
        foreach ($paper as $id => $run) {
            $label = $setupOf[$id];
            $setups[$label] ??= ['setup' => $label, 'runs' => 0, 'readings' => 0];
            ++$setups[$label]['runs'];
            $setups[$label]['readings'] += \count($run['readings']);
        }
        ksort($setups);
        /** @var \WeakMap<Reading, array{value: float, unit: string}> $written */
        $written = new \WeakMap();
        foreach ($csv->rows as $row) {
            if (null !== $row['reading']) {
                $written[$row['reading']] = ['value' => $row['value'], 'unit' => $row['unit']];
            }
        }
        $unknown = [];
        foreach (PaperRuns::unknown($csv->rows, $names) as $setup => $seen) {
            $unknown[] = ['setup' => (string) $setup, 'rows' => $seen['rows']];
        }
        $known = [] === $named ? $this->knownNames($comparison, array_column($unknown, 'setup')) : [];
        if ([] !== $known) {
            return $this->plan($comparison, $body, $known);
        }

        return [
            'preview' => [
                'faults' => \array_slice($faults, 0, self::MOST_SHOWN),
                'runs' => \count($paper),
                'voids' => \count(array_filter(array_column($paper, 'void'))),
                'readings' => array_sum(array_map(static fn (array $run): int => \count($run['readings']), $paper)),
                'setups' => array_values($setups),
                'columns' => $columns,
                'unknownSetups' => $unknown,
                'named' => $named,
                'rows' => array_map(static fn (array $row): array => [
                    'line' => $at($row['line']),
                    'setup' => $row['setup'],
                    'run' => $row['run'],
                    'measure' => $row['reading']?->measure->key(),
                    'value' => $row['reading']?->value,
                    'atLeast' => $row['reading']->atLeast ?? false,
                    'written' => trim($row['value'].' '.$row['unit']),
                ], \array_slice($csv->rows, 0, self::MOST_SHOWN)),
            ],
            'faults' => $faults,
            'runs' => $paper,
            'written' => $written,
            'match' => $match,
            'names' => array_column([...$named, ...$body['match']['setups'] ?? []], 'setup', 'given'),
        ];
    }

    /**
     * @param array<string, mixed>                      $body
     * @param list<string>                              $names setups that the comparison has
     * @param list<array{given: string, setup: string}> $named what an earlier table called them
     *
     * @return array{list<string>, list<int>, ?TableMatch, ?array<string, mixed>} lines of the usual table, where they come from, and how others were read
     */
    private function lines(array $body, array $names, array $named): array
    {
        $lines = $this->tables->usual(explode("\n", $body['table']));
        $said = $body['match'] ?? null;
        $setups = [];
        foreach ([...$named, ...$said['setups'] ?? []] as $each) {
            $setups[$each['given']] = $each['setup'];
        }
        $heading = $lines[0] ?? '';
        if (TableMatch::isUsual($heading)) {
            return [(new TableMatch(0, 1, [], $setups))->renamed($lines), range(1, \count($lines)), null, null];
        }
        $columns = $said['columns'] ?? null;
        $known = null === $columns ? $this->entities->getRepository(KnownTable::class)->findOneBy(['signature' => TableMatch::signature($heading)]) : null;
        $match = null !== $columns
            ? new TableMatch($columns['setupColumn'], $columns['runColumn'], $columns['readings'])
            : $known?->match() ?? TableMatch::guess($heading, $this->measures);
        // With a single setup there is nothing to tell apart.
        $only = null === $match->setupColumn && 1 === \count($names) ? ['' => $names[0]] : [];
        $match = new TableMatch($match->setupColumn, $match->runColumn, $match->readings, $setups + $only);
        [$usual, $from] = $match->usual($lines, $this->measures);

        return [$usual, $from, $match, [
            'head' => TableMatch::head($heading),
            'sample' => array_map(TableMatch::head(...), \array_slice(array_filter($lines, static fn (string $line): bool => '' !== trim($line)), 1, 3)),
            'match' => ['setupColumn' => $match->setupColumn, 'runColumn' => $match->runColumn, 'readings' => $match->readings],
            'remembered' => null !== $known,
        ]];
    }

    /**
     * @param list<string> $unknown
     *
     * @return list<array{given: string, setup: string}>
     */
    private function knownNames(Comparison $comparison, array $unknown): array
    {
        $named = [];
        foreach ([] === $unknown ? [] : $this->entities->getRepository(KnownSetup::class)->findBy(['given' => $unknown]) as $known) {
            $label = $known->labelIn($comparison);
            if (null !== $label) {
                $named[] = ['given' => $known->given, 'setup' => $label];
            }
        }

        return $named;
    }

    /** @param array<string> $names letters by what the table calls them */
    private function rememberNames(Comparison $comparison, array $names): void
    {
        $setups = [];
        foreach ($comparison->setups as $setup) {
            $setups[$setup->label] = $setup;
        }
        foreach ($names as $given => $label) {
            $setup = $setups[$label] ?? null;
            if (null === $setup || '' === (string) $given) {
                continue;
            }
            $known = $this->entities->getRepository(KnownSetup::class)->findOneBy(['given' => (string) $given]);
            if (null === $known) {
                $this->entities->persist(new KnownSetup(Uuid::v7(), $this->now->time(), (string) $given, $setup->side, $setup->agent));
            } else {
                [$known->side, $known->agent] = [$setup->side, $setup->agent];
            }
        }
    }

    private function remember(?TableMatch $match, string $table): void
    {
        if (null === $match) {
            return;
        }
        $signature = TableMatch::signature(explode("\n", $table)[0]);
        $columns = ['setupColumn' => $match->setupColumn, 'runColumn' => $match->runColumn, 'readings' => $match->readings];
        $known = $this->entities->getRepository(KnownTable::class)->findOneBy(['signature' => $signature]);
        if (null === $known) {
            $this->entities->persist(new KnownTable(Uuid::v7(), $this->now->time(), $signature, $columns));
        } else {
            $known->columns = $columns;
        }
    }
}
