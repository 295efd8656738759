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
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Readings from paper: a CSV table is previewed with its faults line by line, then taken all or not at all. */
final readonly class ImportController
{
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

        return new Answer($this->plan($comparison, $body['table'])['preview']);
    }

    #[Route('/api/comparisons/{id}/import', name: 'importReadings', methods: ['POST'])]
    public function import(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $preview = [];
        $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body, &$preview): void {
            $plan = $this->plan($comparison, $body['table']);
            $preview = $plan['preview'];
            if ([] !== $preview['faults']) {
                throw Problem::faults(array_map(
                    static fn (array $fault): array => ['field' => 'line '.$fault['line'], 'message' => $fault['message']],
                    $preview['faults'],
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
                $this->book->write($run, $facts, $by, $this->now->time(), ReadingSource::table());
                ++$run->version;
                // A void run plans another, whose place the next one has to know.
                $this->entities->flush();
            }
            $this->audit->note('readings imported', $comparison->id, ['runs' => $preview['runs'], 'readings' => $preview['readings']]);
        });

        return new Answer($preview, 201);
    }

    /**
     * @return array{
     *     preview: array{
     *         faults: list<array{line: int, message: Sentence}>,
     *         runs: int, voids: int, readings: int,
     *         setups: list<array{setup: string, runs: int, readings: int}>,
     *     },
     *     runs: array<string, array{readings: list<Reading>, void: bool}>,
     * }
     */
    private function plan(Comparison $comparison, string $table): array
    {
        RunCommands::asked(static fn () => ComparisonLife::takeTable($comparison->status));
        $csv = ReadingsCsv::read($this->tables->usual(explode("\n", $table)), $this->measures);
        $faults = $csv->faults;
        $paper = [];
        $setupOf = [];
        if ([] === $faults) {
            $open = [];
            foreach ($this->runs->of($comparison) as $run) {
                $id = $run->id->toRfc4122();
                $setupOf[$id] = $run->setup->label;
                if (RunStatus::Planned === $run->status) {
                    $open[] = ['id' => $id, 'setup' => $run->setup->label, 'pull' => $run->pull];
                }
            }
            $names = array_values($comparison->setups->map(static fn (Setup $setup): string => $setup->label)->toArray());
            $assigned = PaperRuns::assign($csv->rows, $open, $names);
            $faults = $assigned->faults;
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

        return [
            'preview' => [
                'faults' => \array_slice($faults, 0, 200),
                'runs' => \count($paper),
                'voids' => \count(array_filter(array_column($paper, 'void'))),
                'readings' => array_sum(array_map(static fn (array $run): int => \count($run['readings']), $paper)),
                'setups' => array_values($setups),
            ],
            'runs' => $paper,
        ];
    }
}
