<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Choose\StripData;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Platform\Words\Wording;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunSheet;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\VoidRule;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The run sheet: steps, outcome, readings, voids and amendments. */
final readonly class RunController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunRepository $runs,
        private Catalogue $catalogue,
        private StripData $strip,
        private Wording $wording,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/runs/{id}', name: 'getRun', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->sheet($this->edit->find(Run::class, $id)));
    }

    #[Route('/api/runs/{id}/step', name: 'moveRun', methods: ['POST'])]
    public function move(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->edit->save(Run::class, $id, $body, function (Run $run) use ($body): void {
            $this->open($run);
            $step = RunStep::from($body['step']);
            if (!\in_array($step, $run->sequence(), true)) {
                throw Problem::invalid('step', 'This run has no such step.');
            }
            if (Run::PLANNED === $run->status) {
                $run->status = Run::RUNNING;
                $run->startedAt = $this->now->time();
                $run->madeBy = $this->current->get()->displayName;
            }
            $run->step = $step;
            $run->stepBeganAt = $this->now->time();
        });

        return new Answer($this->sheet($run));
    }

    #[Route('/api/runs/{id}/outcome', name: 'setOutcome', methods: ['POST'])]
    public function outcome(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->edit->save(Run::class, $id, $body, function (Run $run) use ($body): void {
            $this->open($run);
            $outcome = Outcome::from($body['outcome']);
            $run->outcome = $outcome;
            $run->outcomeNote = $body['note'];
            $run->held = $outcome->held();
            if ('' === $run->madeBy) {
                $run->madeBy = $this->current->get()->displayName;
            }
            $before = null;
            foreach ($this->runs->standing($run) as $reading) {
                $before = Measure::Held === $reading->measure ? $reading : $before;
            }
            $value = $outcome->held() ? 1.0 : 0.0;
            if (null === $before || abs($before->value - $value) > 0.5) {
                $this->entities->persist(new StoredReading(
                    Uuid::v7(),
                    $this->now->time(),
                    $run->part(),
                    Measure::Held,
                    $value,
                    false,
                    $value,
                    '',
                    'typed',
                    $this->current->get()->displayName,
                    $before,
                    null === $before ? '' : 'outcome changed to: '.$this->wording->english($outcome->words()),
                ));
            }
        });

        return new Answer($this->sheet($run));
    }

    #[Route('/api/runs/{id}/readings', name: 'addReading', methods: ['POST'])]
    public function addReading(string $id, Request $request): Answer
    {
        $run = $this->edit->find(Run::class, $id);
        $body = $this->contract->body($request);
        $this->creation->create(StoredReading::class, $body, function (Uuid $key) use ($run, $body): StoredReading {
            $this->open($run);
            $measure = Measure::from($body['measure']);
            $reading = self::read($measure, $body);
            $before = null;
            if (Measure::Lift !== $measure) {
                foreach ($this->runs->standing($run) as $standing) {
                    $before = $standing->measure === $measure ? $standing : $before;
                }
            }
            if ($measure->isForce() && $run->pull->measure() !== $measure) {
                throw Problem::invalid('measure', \sprintf('This run gives a %s pull.', $run->pull->value));
            }
            $run->take($reading);

            return new StoredReading($key, $this->now->time(), $run->part(), $measure, $reading->value, $reading->atLeast, (float) $body['value'], $body['unit'], 'typed', $this->current->get()->displayName, $before, null === $before ? '' : 'entered again on the run sheet');
        });

        return new Answer($this->sheet($run), 201);
    }

    #[Route('/api/readings/{id}/amendments', name: 'amendReading', methods: ['POST'])]
    public function amend(string $id, Request $request): Answer
    {
        $old = $this->edit->find(StoredReading::class, $id);
        $run = $old->part->run;
        $body = $this->contract->body($request);
        $this->creation->create(StoredReading::class, $body, function (Uuid $key) use ($old, $run, $body): StoredReading {
            if (Run::VOID === $run->status) {
                throw Problem::invalid('', 'This run is void: there is nothing to amend.', 409);
            }
            if (null !== $this->entities->getRepository(StoredReading::class)->findOneBy(['amends' => $old])) {
                throw Problem::invalid('', 'This reading was amended already. Amend the one that stands.', 409);
            }
            $reading = self::read($old->measure, $body);
            $run->take($reading);
            $this->audit->note('reading amended', $run->id, ['reading' => $old->id->toRfc4122(), 'before' => $old->value, 'after' => $reading->value, 'reason' => $body['reason']]);

            return new StoredReading($key, $this->now->time(), $old->part, $old->measure, $reading->value, $reading->atLeast, (float) $body['value'], $body['unit'], 'typed', $this->current->get()->displayName, $old, $body['reason']);
        });

        return new Answer($this->sheet($run), 201);
    }

    #[Route('/api/runs/{id}/finish', name: 'finishRun', methods: ['POST'])]
    public function finish(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->edit->save(Run::class, $id, $body, function (Run $run): void {
            $this->open($run);
            if (null === $run->outcome) {
                throw Problem::invalid('outcome', 'Say first whether the part held.');
            }
            $run->status = Run::DONE;
            $run->finishedAt = $this->now->time();
            $this->audit->note('run done', $run->id, ['outcome' => $run->outcome->value]);
        });

        return new Answer($this->sheet($run));
    }

    #[Route('/api/runs/{id}/void', name: 'voidRun', methods: ['POST'])]
    public function void(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->edit->save(Run::class, $id, $body, function (Run $run) use ($body): void {
            if (Run::VOID === $run->status || Run::PLANNED === $run->status) {
                throw Problem::invalid('', 'Only a run that was begun can be void.', 409);
            }
            $name = $this->current->get()->displayName;
            $refusal = VoidRule::refuses(null !== $run->outcome, $run->madeBy, $name);
            if (null !== $refusal) {
                throw Problem::forbidden($refusal);
            }
            $run->status = Run::VOID;
            $run->voidReason = $body['reason'];
            $run->voidedBy = $name;
            $run->finishedAt ??= $this->now->time();
            $last = $this->database->fetchOne('SELECT MAX(position) FROM run WHERE comparison_id = ?', [$run->comparison->id->toBinary()]);
            $this->entities->persist(new Run(Uuid::v7(), $this->now->time(), $run->comparison, $run->setup, (is_numeric($last) ? (int) $last : 0) + 1, $run->visit, $run->pull, true, $run->comparison->roomC));
            $this->audit->note('run void', $run->id, ['reason' => $body['reason']]);
        });

        return new Answer($this->sheet($run));
    }

    private function open(Run $run): void
    {
        if (Run::DONE === $run->status || Run::VOID === $run->status) {
            throw Problem::invalid('', 'This run is finished. Amend a reading, or void the run, with a reason.', 409);
        }
        if (Comparison::CLOSED === $run->comparison->status) {
            throw Problem::invalid('', 'The comparison is closed.', 409);
        }
    }

    /** @param array<string, mixed> $body */
    private static function read(Measure $measure, array $body): Reading
    {
        try {
            return Reading::entered($measure, (float) $body['value'], $body['unit'], $body['atLeast']);
        } catch (BadReading $e) {
            throw Problem::invalid('value', $e->sentence, previous: $e);
        }
    }

    /** @return array<string, mixed> */
    private function sheet(Run $run): array
    {
        $comparison = $run->comparison;
        $setup = $run->setup;
        $material = $this->catalogue->material($comparison->materialId);
        $surface = $this->catalogue->surface($setup->fitting->surfaceId);
        $pairing = $this->catalogue->pairing($material->id, $surface->id);
        $agent = null === $setup->agent ? null : $this->catalogue->agent($setup->agent->kindId);
        $gcode = $comparison->constants['gcodeName'];
        $sheet = new RunSheet(
            $setup->side->label(),
            $surface->name,
            $surface->cleaning,
            $setup->agent?->name,
            $agent?->putOn,
            $agent?->hazard,
            $setup->bedFirstC,
            $comparison->nozzleC(),
            \is_string($gcode) ? $gcode : '',
            $pairing?->releaseC,
            (float) $comparison->durations['heatAndSoakMinutes'],
            $material->fumes,
            $run->plateChange,
            [...$surface->cautions, ...($pairing->cautions ?? [])],
        );
        $all = $this->runs->readings($run);
        $amended = array_map(static fn (StoredReading $reading): string => $reading->amends?->id->toRfc4122() ?? '', $all);

        return [
            'run' => $run->toArray(),
            'comparison' => ['id' => $comparison->id->toRfc4122(), 'title' => $comparison->title, 'status' => $comparison->status, 'materialId' => $comparison->materialId, 'lotLabel' => $comparison->lot->label, 'printerName' => $comparison->printer->name],
            'setup' => $setup->toArray(),
            'strip' => $this->strip->ofSetup($setup),
            'sheet' => array_map(static fn (RunStep $step): array => $sheet->at($step), $run->sequence()),
            'readings' => array_map(static fn (StoredReading $reading): array => [...$reading->toArray(), 'stands' => !\in_array($reading->id->toRfc4122(), $amended, true)], $all),
            'nextRunId' => $this->nextRunId($run),
            'serverTime' => $this->now->time()->format(\DATE_ATOM),
        ];
    }

    private function nextRunId(Run $run): ?string
    {
        $next = $this->entities->getRepository(Run::class)->findOneBy(['comparison' => $run->comparison, 'status' => Run::PLANNED], ['position' => 'ASC']);

        return $next?->id->toRfc4122();
    }
}
