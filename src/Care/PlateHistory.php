<?php

declare(strict_types=1);

namespace App\Care;

use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/** How many runs each plate side has seen since it was fitted, washed and coated; all sides in one query. */
final readonly class PlateHistory
{
    public function __construct(private Connection $database)
    {
    }

    /** @return array<string, array{fitting: int, wash: int, coat: ?int, lastWash: ?string, lastCoat: ?string, coatAgent: ?string, lastHeld: ?string}> by side */
    public function all(): array
    {
        $found = [];
        $rows = $this->database->iterateAssociative(
            "SELECT ps.id, w.at AS last_wash, k.at AS last_coat,
                    (SELECT a.name FROM care_event e JOIN agent_stock a ON a.id = e.agent_id WHERE e.side_id = ps.id AND e.kind = 'coat' AND e.created_at = k.at LIMIT 1) AS coat_agent,
                    COUNT(r.id) AS since_fitting,
                    SUM(r.finished_at > COALESCE(w.at, '1970-01-01')) AS since_wash,
                    SUM(r.finished_at > k.at) AS since_coat,
                    MAX(CASE WHEN r.held = 1 THEN r.finished_at END) AS last_held
             FROM plate_side ps
             LEFT JOIN (SELECT side_id, MAX(created_at) AS at FROM care_event WHERE kind = 'wash' GROUP BY side_id) w ON w.side_id = ps.id
             LEFT JOIN (SELECT side_id, MAX(created_at) AS at FROM care_event WHERE kind = 'coat' GROUP BY side_id) k ON k.side_id = ps.id
             LEFT JOIN setup s ON s.side_id = ps.id AND s.fitting_id = ps.fitting_id
             LEFT JOIN run r ON r.setup_id = s.id AND r.finished_at IS NOT NULL
             GROUP BY ps.id, w.at, k.at",
        );
        foreach ($rows as $row) {
            // A coat that was washed off since is no coat.
            $coated = null !== $row['last_coat'] && (null === $row['last_wash'] || $row['last_coat'] >= $row['last_wash']);
            $found[Uuid::fromBinary((string) $row['id'])->toRfc4122()] = [
                'fitting' => (int) $row['since_fitting'],
                'wash' => (int) $row['since_wash'],
                'coat' => $coated ? (int) $row['since_coat'] : null,
                'lastWash' => self::time($row['last_wash']),
                'lastCoat' => $coated ? self::time($row['last_coat']) : null,
                'coatAgent' => $coated && \is_string($row['coat_agent']) ? $row['coat_agent'] : null,
                'lastHeld' => self::time($row['last_held']),
            ];
        }

        return $found;
    }

    private static function time(mixed $value): ?string
    {
        return \is_string($value) ? (new \DateTimeImmutable($value, new \DateTimeZone('UTC')))->format(\DATE_ATOM) : null;
    }
}
