<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Platform\Database\StoredId;
use Doctrine\DBAL\Connection;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\ChangeKind;
use Sitzplatz\Evidence\EvidenceSince;
use Symfony\Contracts\Service\ResetInterface;

/** What has happened to the printers, read once for a request. */
final class PrinterChanges implements ResetInterface
{
    /** @var array<string, list<Change>>|null */
    private ?array $byPrinter = null;

    public function __construct(private readonly Connection $database)
    {
    }

    /** @return list<Change> newest first */
    public function of(string $printerId): array
    {
        return $this->byPrinter()[$printerId] ?? [];
    }

    /**
     * What the time of a printer since its last change before a moment is called.
     *
     * @param float $at Unix seconds
     */
    public function epoch(string $printerId, float $at = \INF): string
    {
        $since = EvidenceSince::lastBefore($this->of($printerId), $at);

        return null === $since ? '' : \sprintf('%.0f', $since->at);
    }

    /** @return array<string, string> the time since its last change, by printer that has had one */
    public function epochs(): array
    {
        return array_combine(array_keys($this->byPrinter()), array_map($this->epoch(...), array_keys($this->byPrinter())));
    }

    public function reset(): void
    {
        $this->byPrinter = null;
    }

    /** @return array<string, list<Change>> newest first */
    private function byPrinter(): array
    {
        if (null === $this->byPrinter) {
            $utc = new \DateTimeZone('UTC');
            $time = static fn (mixed $value): ?\DateTimeImmutable => \is_string($value) ? new \DateTimeImmutable($value, $utc) : null;
            $this->byPrinter = [];
            foreach ($this->database->iterateAssociative(
                'SELECT printer_id, kind, plate_id, fault_from, fault_until, created_at FROM change_event ORDER BY created_at DESC',
            ) as $row) {
                $this->byPrinter[StoredId::text($row['printer_id'])][] = ChangeEvent::asChange(
                    ChangeKind::from((string) $row['kind']),
                    $time($row['fault_from']) ?? new \DateTimeImmutable((string) $row['created_at'], $utc),
                    $time($row['fault_until']),
                    StoredId::textOrNull($row['plate_id']),
                );
            }
        }

        return $this->byPrinter;
    }
}
