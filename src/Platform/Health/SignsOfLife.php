<?php

declare(strict_types=1);

namespace App\Platform\Health;

use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/** When each part that works by itself last said that it does: readers of devices, the keeper, the backup. */
final readonly class SignsOfLife
{
    /** Each by the name of its command. */
    public const KEEPER = 'sitzplatz:keep';
    public const GAUGE = 'sitzplatz:gauge:read';
    public const THERMOMETER = 'sitzplatz:thermometer:read';
    public const BACKUP = 'backup';

    public function __construct(private Connection $database, private ClockInterface $clock)
    {
    }

    public function give(string $name): void
    {
        $this->database->executeStatement(
            'INSERT INTO sign_of_life (name, at) VALUES (?, ?) ON DUPLICATE KEY UPDATE at = VALUES(at)',
            [$name, UtcType::text($this->clock->now())],
        );
    }

    /** @return array<string, int> by name, how many seconds ago */
    public function ages(): array
    {
        $now = $this->clock->now()->getTimestamp();
        $ages = [];
        foreach ($this->database->fetchAllKeyValue('SELECT name, at FROM sign_of_life') as $name => $at) {
            $ages[(string) $name] = max(0, $now - (new \DateTimeImmutable((string) $at, new \DateTimeZone('UTC')))->getTimestamp());
        }

        return $ages;
    }
}
