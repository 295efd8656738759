<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Shelf\ShopSettings;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Life\Fact\RunFact;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\LiftByHeight;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\Steps;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The run sheet: steps, outcome, readings, voids and amendments. */
final readonly class RunController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunCommands $commands,
        private RunRepository $runs,
        private RunSheetData $sheet,
        private ShopSettings $settings,
        private CurrentUser $current,
        private Audit $audit,
        private Measures $measures,
        private Steps $steps,
    ) {
    }

    #[Route('/api/runs/{id}', name: 'getRun', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->sheet->of($this->edit->find(Run::class, $id)));
    }

    #[Route('/api/runs/{id}/step', name: 'moveRun', methods: ['POST'])]
    public function move(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $to = $this->steps->of($body['step']) ?? throw Problem::invalid('step', Sentence::of('run.no_such_step'));

        return $this->done($this->carryOut($id, $body, static fn (RunState $run): array => RunLife::moveTo($run, $to)));
    }

    #[Route('/api/runs/{id}/outcome', name: 'setOutcome', methods: ['POST'])]
    public function outcome(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);

        return $this->done($this->carryOut(
            $id,
            $body,
            static fn (RunState $run): array => RunLife::sayOutcome($run, Outcome::from($body['outcome']), $body['note']),
        ));
    }

    #[Route('/api/runs/{id}/readings', name: 'addReading', methods: ['POST'])]
    public function addReading(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $reading = isset($body['againstHeight']) ? self::byHeight($body) : self::read($this->measure($body['measure']), $body);
        $entered = isset($body['againstHeight']) ? max(0.0, (float) $body['againstHeight'] - (float) $body['value']) : (float) $body['value'];
        $held = (float) ($body['heldSeconds'] ?? 0);
        // However long it was kept, it is the same reading.
        unset($body['heldSeconds']);
        [, $new] = $this->creation->create(StoredReading::class, $body, fn (Uuid $key): StoredReading => $this->written($key, $this->commands->carryOut(
            $id,
            null,
            $this->current->author(),
            ReadingSource::typed($key, $entered, $body['unit']),
            static fn (RunState $run): array => RunLife::enter($run, $reading, $body['place'] ?? 1),
            $held,
        )));

        return $this->done($this->edit->find(Run::class, $id), $new ? 201 : 200);
    }

    #[Route('/api/runs/{id}/not-taken', name: 'markNotTaken', methods: ['POST'])]
    public function notTaken(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $measure = Measure::tryFrom($body['measure']) ?? throw Problem::invalid('measure', Sentence::of('run.not_missing', measure: $body['measure']));
        $run = $this->carryOut($id, $body, function (RunState $run) use ($id, $body, $measure): array {
            $this->audit->note('measure not taken', Uuid::fromString($id), ['measure' => $body['measure'], 'reason' => $body['reason']]);

            return RunLife::markNotTaken($run, $measure, $body['reason']);
        });

        return $this->done($run);
    }

    #[Route('/api/readings/{id}/amendments', name: 'amendReading', methods: ['POST'])]
    public function amend(string $id, Request $request): Answer
    {
        $old = $this->edit->find(StoredReading::class, $id);
        $runId = $old->part->run->id->toRfc4122();
        $body = $this->contract->body($request);
        $reading = self::read($this->measure($old->measure), $body);
        $before = $old->value;
        [, $new] = $this->creation->create(StoredReading::class, $body, fn (Uuid $key): StoredReading => $this->written($key, $this->commands->carryOut(
            $runId,
            null,
            $this->current->author(),
            ReadingSource::typed($key, (float) $body['value'], $body['unit']),
            function (RunState $state, Run $run) use ($id, $before, $reading, $body): array {
                $this->audit->note(
                    'reading amended',
                    $run->id,
                    ['reading' => $id, 'before' => $before, 'after' => $reading->value, 'reason' => $body['reason']],
                );

                return RunLife::amend($state, $id, $reading, $body['reason'], isset($body['outcome']) ? Outcome::from($body['outcome']) : null);
            },
        )));

        return $this->done($this->edit->find(Run::class, $runId), $new ? 201 : 200);
    }

    #[Route('/api/runs/{id}/finish', name: 'finishRun', methods: ['POST'])]
    public function finish(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->carryOut($id, $body, function (RunState $state, Run $run): array {
            $this->audit->note('run done', $run->id, ['outcome' => $run->outcome?->value]);

            return RunLife::finish($state);
        });

        return $this->done($run);
    }

    /** Who touched too soon goes on where they were. */
    #[Route('/api/runs/{id}/take-back', name: 'takeFinishBack', methods: ['POST'])]
    public function takeFinishBack(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->carryOut($id, $body, function (RunState $state, Run $run): array {
            $this->audit->note('run taken back from done', $run->id);

            return RunLife::takeFinishBack($state);
        });

        return $this->done($run);
    }

    /** Ends by hand that a run keeps its printer, before the run does so itself. */
    #[Route('/api/runs/{id}/leave-printer', name: 'leavePrinter', methods: ['POST'])]
    public function leavePrinter(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $run = $this->carryOut($id, $body, function (RunState $state, Run $run) use ($body): array {
            $this->audit->note('printer freed by hand', $run->id, ['reason' => $body['reason']]);

            return RunLife::leavePrinter($state);
        });

        return $this->done($run);
    }

    #[Route('/api/runs/{id}/void', name: 'voidRun', methods: ['POST'])]
    public function void(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $by = $this->current->author();
        $run = $this->carryOut($id, $body, function (RunState $state, Run $run) use ($body, $by): array {
            $this->audit->note('run void', $run->id, ['reason' => $body['reason']]);

            return RunLife::declareVoid(
                $state,
                $body['reason'],
                $by->id->toRfc4122(),
                $this->settings->onePersonShop(),
                $this->runs->lastPosition($run->comparison),
            );
        });

        return $this->done($run);
    }

    /**
     * @param array<string, mixed>                   $body
     * @param \Closure(RunState, Run): list<RunFact> $command
     */
    private function carryOut(string $id, array $body, \Closure $command): Run
    {
        return $this->commands->carryOut($id, $body, $this->current->author(), ReadingSource::typed(), $command, (float) ($body['heldSeconds'] ?? 0));
    }

    private function written(Uuid $key, Run $run): StoredReading
    {
        return $this->entities->find(StoredReading::class, $key) ?? throw new \LogicException(\sprintf('Run %d took no reading.', $run->position));
    }

    private function done(Run $run, int $status = 200): Answer
    {
        return new Answer($this->sheet->of($run), $status);
    }

    private function measure(string $key): Measured
    {
        return $this->measures->of($key) ?? throw Problem::invalid('measure', $this->measures->none($key));
    }

    /** @param array<string, mixed> $body */
    private static function read(Measured $measure, array $body): Reading
    {
        try {
            return Reading::entered($measure, (float) $body['value'], $body['unit'], $body['atLeast']);
        } catch (BadReading $e) {
            throw Problem::invalid('value', $e->sentence, previous: $e);
        }
    }

    /** @param array<string, mixed> $body the height of an end, and that in the middle */
    private static function byHeight(array $body): Reading
    {
        if (Measure::Lift->value !== $body['measure']) {
            throw Problem::invalid('againstHeight', Sentence::of('run.only_lift_by_height'));
        }
        try {
            return LiftByHeight::of((float) $body['againstHeight'], (float) $body['value'], $body['unit']);
        } catch (BadReading $e) {
            throw Problem::invalid('value', $e->sentence, previous: $e);
        }
    }
}
