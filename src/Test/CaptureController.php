<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Device\Gauge;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullSample;
use Sitzplatz\Test\PullTrace;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A pull on the gauge: begun, polled while it goes on, taken over as a reading. */
final readonly class CaptureController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunCommands $commands,
        private CurrentUser $current,
        private CoolingWatch $cooling,
        private Now $now,
        private bool $demo,
    ) {
    }

    #[Route('/api/runs/{id}/captures', name: 'beginCapture', methods: ['POST'])]
    public function begin(string $id, Request $request): Answer
    {
        $run = $this->edit->find(Run::class, $id);
        $body = $this->contract->body($request);
        [$capture, $new] = $this->creation->create(GaugeCapture::class, $body, function (Uuid $key) use ($run, $body): GaugeCapture {
            if (RunStatus::Running !== $run->status) {
                throw Problem::invalid('', 'Only a run that goes on is pulled. Begin it first.', 409);
            }

            $gauge = $this->gauge($body['gaugeId'] ?? null);

            return new GaugeCapture($key, $this->now->time(), $run, $run->pull, $gauge->id, $gauge->simulated);
        });

        return new Answer($this->state($capture), $new ? 201 : 200);
    }

    #[Route('/api/captures/{id}', name: 'getCapture', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->state($this->edit->find(GaugeCapture::class, $id)));
    }

    #[Route('/api/captures/{id}/reading', name: 'takeCapture', methods: ['POST'])]
    public function take(string $id, Request $request): Answer
    {
        $capture = $this->edit->find(GaugeCapture::class, $id);
        $runId = $capture->run->id->toRfc4122();
        $body = $this->contract->body($request);
        // A pull is one reading however often it is taken, by whomever: its key follows from that of the pull.
        [$reading, $new] = $this->creation->create(StoredReading::class, [
            'id' => Uuid::v5(Uuid::fromString($id), 'reading')->toRfc4122(),
            'partBroke' => $body['partBroke'],
        ], function (Uuid $key) use ($id, $runId, $body): StoredReading {
            $trace = null;
            $this->commands->carryOut($runId, null, $this->current->author(), $this->source(
                $key,
                $this->edit->find(GaugeCapture::class, $id),
            ), function (RunState $run) use ($id, $body, &$trace): array {
                $capture = $this->edit->find(GaugeCapture::class, $id);
                if (GaugeCapture::ENDED !== $capture->state) {
                    throw Problem::invalid('', 'The pull is not over yet.', 409);
                }
                try {
                    $trace = PullTrace::of($this->samples($capture), (float) $capture->rangeN);

                    return RunLife::enter($run, $trace->reading($capture->pull, $body['partBroke']));
                } catch (BadReading $e) {
                    throw Problem::invalid('', 'There was no pull. Hook the gauge in and pull again.', 409, $e);
                }
            });

            $capture = $this->edit->find(GaugeCapture::class, $id);
            // A part that broke is still on the plate.
            if (PullKind::Cold === $capture->pull && null !== $trace && $trace->gaveWay && !$body['partBroke']) {
                $this->cooling->pulledOff($capture, $trace->peakAtMilliseconds, $this->current->author());
            }

            return $this->edit->find(StoredReading::class, $key->toRfc4122());
        });

        return new Answer($reading->toArray(), $new ? 201 : 200);
    }

    /** The one that was named, or the only one there is. */
    private function gauge(?string $id): Gauge
    {
        $gauges = array_values(array_filter(
            $this->entities->getRepository(Gauge::class)->findBy(['retired' => false], ['name' => 'ASC']),
            fn (Gauge $gauge): bool => $this->demo || !$gauge->simulated,
        ));
        foreach ($gauges as $gauge) {
            if ($gauge->id->toRfc4122() === $id || (null === $id && 1 === \count($gauges))) {
                return $gauge;
            }
        }
        throw [] === $gauges
            ? Problem::invalid('gaugeId', 'There is no gauge on the shelf. Type the reading in, or add the gauge to the shelf.', 409)
            : Problem::invalid('gaugeId', 'Choose the gauge: this one is not on the shelf.');
    }

    /** @return array<string, mixed> */
    private function state(GaugeCapture $capture): array
    {
        $samples = $this->samples($capture);
        $trace = null;
        if ([] !== $samples && null !== $capture->rangeN) {
            try {
                $trace = PullTrace::of($samples, $capture->rangeN);
            } catch (BadReading) {
                // No force yet: there is a trace without a peak.
            }
        }

        return [
            'id' => $capture->id->toRfc4122(),
            'state' => $capture->state,
            'message' => $capture->message,
            'pull' => $capture->pull->value,
            'simulated' => $capture->simulated,
            'rangeN' => $capture->rangeN,
            'peakN' => $trace?->peakN,
            'toppedOut' => $trace->toppedOut ?? false,
            'gaveWay' => $trace->gaveWay ?? false,
            'onsetMilliseconds' => $trace?->onsetMilliseconds,
            'riseNPerS' => $trace?->riseNPerS,
            'samples' => array_map(static fn (PullSample $sample): array => [$sample->milliseconds, $sample->forceN], $samples),
        ];
    }

    private function source(Uuid $key, GaugeCapture $capture): ReadingSource
    {
        return ReadingSource::gauge($key, $capture->gaugeId, $capture->simulated);
    }

    /** @return list<PullSample> */
    private function samples(GaugeCapture $capture): array
    {
        $samples = [];
        foreach ($this->database->iterateNumeric(
            'SELECT milliseconds, force_n FROM gauge_sample WHERE capture_id = ? ORDER BY milliseconds',
            [$capture->id->toBinary()],
        ) as [$time, $force]) {
            $samples[] = new PullSample((int) $time, (float) $force);
        }

        return $samples;
    }
}
