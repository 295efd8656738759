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
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PaperRuns;
use Sitzplatz\Test\Reading;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Readings from paper: a CSV table is previewed with its faults line by line, then taken all or not at all. */
final readonly class ImportController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private RunRepository $runs,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
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
                throw Problem::faults(array_map(static fn (array $fault): array => ['field' => 'line '.$fault['line'], 'message' => $fault['message']], $preview['faults']));
            }
            $name = $this->current->get()->displayName;
            foreach ($plan['runs'] as $runId => $paper) {
                $run = $this->edit->find(Run::class, $runId);
                $this->finish($run, $paper, $name);
            }
            $this->audit->note('readings imported', $comparison->id, ['runs' => $preview['runs'], 'readings' => $preview['readings']]);
            // The comparison itself is unchanged; its version moves so that a repeated send is noticed.
            ++$comparison->imports;
        });

        return new Answer($preview, 201);
    }

    /** @param array{readings: list<Reading>, void: bool} $paper */
    private function finish(Run $run, array $paper, string $name): void
    {
        $now = $this->now->time();
        $run->startedAt ??= $now;
        $run->finishedAt = $now;
        $run->madeBy = $name;
        $run->status = $paper['void'] ? Run::VOID : Run::DONE;
        $run->voidReason = $paper['void'] ? 'void in the table' : '';
        $run->voidedBy = $paper['void'] ? $name : '';
        foreach ($paper['readings'] as $reading) {
            if (Measure::Held === $reading->measure) {
                $run->outcome = $reading->value > 0.5 ? Outcome::Held : Outcome::CameOff;
            }
            $run->take($reading);
            $this->entities->persist(new StoredReading(Uuid::v7(), $now, $run->part(), $reading->measure, $reading->value, $reading->atLeast, $reading->value, $reading->measure->units()[0], 'table', $name));
        }
    }

    /**
     * @return array{preview: array{faults: list<array{line: int, message: Sentence}>, runs: int, voids: int, readings: int, setups: list<array{setup: string, runs: int, readings: int}>}, runs: array<string, array{readings: list<Reading>, void: bool}>}
     */
    private function plan(Comparison $comparison, string $table): array
    {
        if (Comparison::RUNNING !== $comparison->status) {
            throw Problem::invalid('', 'Start the comparison first: readings belong to its planned runs.', 409);
        }
        $csv = ReadingsCsv::read(explode("\n", $table));
        $faults = $csv->faults;
        $paper = [];
        $setupOf = [];
        if ([] === $faults) {
            $open = [];
            foreach ($this->runs->of($comparison) as $run) {
                $id = $run->id->toRfc4122();
                $setupOf[$id] = $run->setup->label;
                if (Run::PLANNED === $run->status) {
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
