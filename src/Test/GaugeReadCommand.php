<?php

declare(strict_types=1);

namespace App\Test;

use App\Device\Bench;
use App\Device\InstrumentUnreachable;
use App\Device\ServingCommand;
use App\Device\TcpForceGauge;
use App\Platform\Database\UtcType;
use App\Platform\Health\SignsOfLife;
use Doctrine\DBAL\Connection;
use Sitzplatz\Test\PullSample;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** The background reader: waits for captures, reads the gauge, and stores the samples for the browser to poll. */
#[AsCommand('sitzplatz:gauge:read', 'Reads the force gauge for the run sheets')]
final class GaugeReadCommand extends ServingCommand
{
    private const POLL_SECONDS = 0.2;
    private const BATCH = 8;
    /** A capture nobody could serve for this long has lost its pull. */
    private const STALE_SECONDS = 60;

    public function __construct(
        private readonly Connection $database,
        private readonly ClockInterface $clock,
        private readonly SignsOfLife $life,
        private readonly int $gaugePort,
        private readonly bool $demo,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        return $this->serve($this->database, $this->clock, $this->life, $output, self::POLL_SECONDS, function (): bool {
            $capture = $this->waiting();
            null === $capture || $this->read($capture);

            return null !== $capture;
        });
    }

    /** @return array<string, mixed>|null */
    private function waiting(): ?array
    {
        $stale = $this->clock->now()->modify('-'.self::STALE_SECONDS.' seconds')->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s.u');
        $this->database->executeStatement(
            "UPDATE gauge_capture SET state = 'failed', message = 'Nobody read the gauge in time. Pull again.'
             WHERE state IN ('waiting', 'pulling') AND created_at < ?",
            [$stale],
        );
        $row = $this->database->fetchAssociative(
            "SELECT g.id, g.pull, gauge.address, gauge.simulated, c.material_id, f.surface_id, a.kind_id, s.bed_first_c
             FROM gauge_capture g JOIN gauge ON gauge.id = g.gauge_id JOIN run r ON r.id = g.run_id JOIN comparison c ON c.id = r.comparison_id
             JOIN setup s ON s.id = r.setup_id JOIN fitting f ON f.id = s.fitting_id LEFT JOIN agent_stock a ON a.id = s.agent_id
             WHERE g.state = 'waiting' ORDER BY g.created_at LIMIT 1",
        );

        return false === $row ? null : $row;
    }

    /** @param array<string, mixed> $capture */
    private function read(array $capture): void
    {
        $id = (string) $capture['id'];
        try {
            $simulated = (bool) $capture['simulated'];
            $gauge = $this->gauge((string) $capture['address'], $simulated);
            $this->state($id, GaugeCapture::PULLING, '', $gauge->rangeN());
            $batch = [];
            foreach ($gauge->pull($simulated ? self::bench($capture) : null) as $i => $sample) {
                0 !== $i || $this->begins($id, $sample);
                $batch[] = $sample;
                if (\count($batch) >= self::BATCH) {
                    $this->store($id, $batch);
                    $batch = [];
                }
            }
            $this->store($id, $batch);
            $this->state($id, GaugeCapture::ENDED, '', $gauge->rangeN());
        } catch (InstrumentUnreachable $e) {
            $this->state($id, GaugeCapture::FAILED, $e->getMessage(), null);
        }
    }

    /** @throws InstrumentUnreachable if nothing answers there, or it is a simulated one outside of the demo */
    private function gauge(string $address, bool $simulated): TcpForceGauge
    {
        if ($simulated && !$this->demo) {
            throw InstrumentUnreachable::at($address);
        }

        return new TcpForceGauge($simulated ? "127.0.0.1:{$this->gaugePort}" : $address);
    }

    /** @param array<string, mixed> $capture */
    private static function bench(array $capture): Bench
    {
        return new Bench(
            (string) $capture['material_id'],
            (string) $capture['surface_id'],
            null === $capture['kind_id'] ? null : (string) $capture['kind_id'],
            (string) $capture['pull'],
            null === $capture['bed_first_c'] ? null : (float) $capture['bed_first_c'],
        );
    }

    /** When the first sample is there, so that other devices of the bench can be asked what they showed meanwhile. */
    private function begins(string $id, PullSample $first): void
    {
        $this->database->executeStatement('UPDATE gauge_capture SET began_at = ? WHERE id = ?', [
            UtcType::text($this->clock->now()->modify(\sprintf('-%d milliseconds', $first->milliseconds))),
            $id,
        ]);
    }

    private function state(string $id, string $state, string $message, ?float $rangeN): void
    {
        $this->database->executeStatement('UPDATE gauge_capture SET state = ?, message = ?, range_n = ? WHERE id = ?', [$state, $message, $rangeN, $id]);
    }

    /** @param list<PullSample> $samples */
    private function store(string $id, array $samples): void
    {
        if ([] === $samples) {
            return;
        }
        $values = [];
        foreach ($samples as $sample) {
            array_push($values, $id, $sample->milliseconds, $sample->forceN);
        }
        $this->database->executeStatement(
            'INSERT IGNORE INTO gauge_sample (capture_id, milliseconds, force_n) VALUES '.implode(', ', array_fill(0, \count($samples), '(?, ?, ?)')),
            $values,
        );
    }
}
