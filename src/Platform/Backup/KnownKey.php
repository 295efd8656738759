<?php

declare(strict_types=1);

namespace App\Platform\Backup;

use App\Platform\Audit;
use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * What the app knows of the key of its backups: which one it is, how it ends, and whether somebody wrote it down. The key itself
 * lies in a file that the app cannot read.
 */
final readonly class KnownKey
{
    /** In place of a fingerprint: a key that somebody chose might be guessed by one. */
    private const CHOSEN = 'chosen';

    public function __construct(private Connection $database, private ClockInterface $clock, private Audit $audit)
    {
    }

    /** Another key than the last begins anew: nobody wrote that one down yet. */
    public function meet(BackupKey $key, bool $chosen): void
    {
        $fingerprint = $chosen ? self::CHOSEN : $key->fingerprint();
        if ($fingerprint === ($this->last()['fingerprint'] ?? null)) {
            return;
        }
        $this->database->insert('backup_key', [
            'id' => Uuid::v7()->toBinary(),
            'made_at' => UtcType::text($this->clock->now()),
            'fingerprint' => $fingerprint,
            'end_digest' => $chosen ? '' : $key->digestOfEnd(),
        ]);
    }

    /** @return array{id: string, state: string, writtenDownOn: string|null}|null the last one; null: the app was never started with one */
    public function state(): ?array
    {
        $last = $this->last();
        $writtenDown = $last['written_down_at'] ?? null;

        return null === $last ? null : [
            'id' => Uuid::fromBinary((string) $last['id'])->toRfc4122(),
            'state' => match (true) {
                self::CHOSEN === $last['fingerprint'] => 'chosen',
                null === $writtenDown => 'to_write_down',
                default => 'written_down',
            },
            'writtenDownOn' => null === $writtenDown ? null : substr((string) $writtenDown, 0, 10),
        ];
    }

    /** Whoever types its last group has it before their eyes. From then on backups are sealed with it. */
    public function writtenDown(string $lastGroup): bool
    {
        $last = $this->last();
        if (null === $last || !BackupKey::endsWith($lastGroup, (string) $last['fingerprint'], (string) $last['end_digest'])) {
            return false;
        }
        if (null === $last['written_down_at']) {
            $this->database->update('backup_key', ['written_down_at' => UtcType::text($this->clock->now())], ['id' => $last['id']]);
            $this->audit->note('backup key written down', Uuid::fromBinary((string) $last['id']));
        }

        return true;
    }

    /** @return array<string, string|null>|null */
    private function last(): ?array
    {
        /** @var array<string, string|null>|false $row */
        $row = $this->database->fetchAssociative('SELECT id, fingerprint, end_digest, written_down_at FROM backup_key ORDER BY id DESC LIMIT 1');

        return false === $row ? null : $row;
    }
}
