<?php

declare(strict_types=1);

namespace App\Test;

use App\Device\InstrumentUnreachable;
use App\Device\PlateThermometer;
use App\Device\ServingCommand;
use App\Device\TcpThermometer;
use App\Platform\Database\UtcType;
use App\Platform\Health\SignsOfLife;
use Doctrine\DBAL\Connection;
use Sitzplatz\Test\RunStep;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** The background reader of the thermometers: several plates may cool at once, each for as long as its run is about it. */
#[AsCommand('sitzplatz:thermometer:read', 'Reads the thermometers for the run sheets')]
final class ThermometerReadCommand extends ServingCommand
{
    private const POLL_SECONDS = 0.5;
    /** More often nobody looks, ms. */
    private const APART_MS = 900;
    /** Nothing cools longer. */
    private const LONGEST_SECONDS = 4 * 3600;

    /** @var array<string, PlateThermometer> by the key of what cools */
    private array $open = [];
    /** @var array<string, int> when each was stored last, ms */
    private array $stored = [];

    public function __construct(
        private readonly Connection $database,
        private readonly ClockInterface $clock,
        private readonly SignsOfLife $life,
        private readonly int $thermometerPort,
        private readonly bool $demo,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        return $this->serve($this->database, $this->clock, $this->life, $output, self::POLL_SECONDS, function (): bool {
            $this->look();

            return false;
        });
    }

    private function look(): void
    {
        $wanted = [];
        foreach ($this->database->fetchAllAssociative(
            "SELECT g.id, g.state, g.created_at, t.address, t.simulated, r.status, r.step, r.room_c, COALESCE(s.bed_other_c, s.bed_first_c) AS bed_c
             FROM cooling g JOIN thermometer t ON t.id = g.thermometer_id JOIN run r ON r.id = g.run_id JOIN setup s ON s.id = r.setup_id
             WHERE g.state IN ('waiting', 'watching')",
        ) as $row) {
            $id = (string) $row['id'];
            $wanted[$id] = true;
            if (!$this->cools($row)) {
                $this->state($id, Cooling::ENDED);
            } else {
                $this->read($id, $row);
            }
        }
        $this->open = array_intersect_key($this->open, $wanted);
        $this->stored = array_intersect_key($this->stored, $wanted);
    }

    /** @param array<string, mixed> $row */
    private function cools(array $row): bool
    {
        $since = $this->clock->now()->getTimestamp() - (new \DateTimeImmutable((string) $row['created_at'], new \DateTimeZone('UTC')))->getTimestamp();

        return 'running' === $row['status'] && $since < self::LONGEST_SECONDS
            && \in_array($row['step'], [RunStep::Cool->value, RunStep::ColdPull->value], true);
    }

    /** @param array<string, mixed> $row */
    private function read(string $id, array $row): void
    {
        try {
            if (!isset($this->open[$id])) {
                if (Cooling::WATCHING === $row['state']) {
                    throw new InstrumentUnreachable('The watch was interrupted. Watch again, or type the reading in.');
                }
                $this->open[$id] = $this->thermometer($row);
                $this->state($id, Cooling::WATCHING);
                $this->database->executeStatement('UPDATE cooling SET began_at = ? WHERE id = ?', [UtcType::text($this->clock->now()), $id]);
            }
            foreach ($this->open[$id]->samplesSoFar() as $sample) {
                if ($sample->milliseconds - ($this->stored[$id] ?? -self::APART_MS) >= self::APART_MS) {
                    $this->database->executeStatement(
                        'INSERT IGNORE INTO temperature_sample (cooling_id, milliseconds, celsius) VALUES (?, ?, ?)',
                        [$id, $sample->milliseconds, $sample->celsius],
                    );
                    $this->stored[$id] = $sample->milliseconds;
                }
            }
        } catch (InstrumentUnreachable $e) {
            unset($this->open[$id]);
            $this->state($id, Cooling::FAILED, $e->getMessage());
        }
    }

    /**
     * @param array<string, mixed> $row
     *
     * @throws InstrumentUnreachable if nothing answers there, or it is a simulated one outside of the demo
     */
    private function thermometer(array $row): TcpThermometer
    {
        $address = (string) $row['address'];
        if (!$row['simulated']) {
            return new TcpThermometer($address, null);
        }

        return $this->demo ? new TcpThermometer("127.0.0.1:{$this->thermometerPort}", [
            'bedC' => null === $row['bed_c'] ? null : (float) $row['bed_c'],
            'roomC' => (float) $row['room_c'],
        ]) : throw InstrumentUnreachable::at($address);
    }

    private function state(string $id, string $state, string $message = ''): void
    {
        $this->database->executeStatement(
            "UPDATE cooling SET state = ?, message = ? WHERE id = ? AND state IN ('waiting', 'watching')",
            [$state, $message, $id],
        );
    }
}
