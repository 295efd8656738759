<?php

declare(strict_types=1);

namespace App\Care;

use App\Shelf\PlateSide;
use Doctrine\DBAL\Connection;
use Sitzplatz\Wear\SideHistory;
use Symfony\Component\Uid\Uuid;

/** How many runs each plate side has seen since it was fitted, washed and coated; all sides in one query. */
final readonly class PlateHistory
{
    public function __construct(private Connection $database)
    {
    }

    /** @return array<string, SideHistory> by side */
    public function all(?PlateSide $only = null): array
    {
        $found = [];
        $where = null === $only ? '' : 'WHERE ps.id = ?';
        foreach ($this->database->iterateAssociative(
            "SELECT ps.id, w.at AS washed_at, k.at AS coated_at, a.kind_id, a.name AS agent,
                    COALESCE(t.runs, 0) AS since_fitting,
                    IF(w.at IS NULL, COALESCE(t.runs, 0), (
                        SELECT COUNT(*) FROM run r WHERE r.fitting_id = ps.fitting_id AND r.finished_at > w.at
                    )) AS since_wash,
                    IF(k.at IS NULL, NULL, (SELECT COUNT(*) FROM run r WHERE r.fitting_id = ps.fitting_id AND r.finished_at > k.at)) AS since_coat,
                    t.last_held, t.last_print, COALESCE(t.damages, 0) AS damages, sc.at AS scuffed_at
             FROM plate_side ps
             LEFT JOIN (SELECT side_id, MAX(created_at) AS at FROM care_event WHERE kind = 'wash' GROUP BY side_id) w ON w.side_id = ps.id
             LEFT JOIN (SELECT side_id, MAX(created_at) AS at FROM care_event WHERE kind = 'coat' GROUP BY side_id) k ON k.side_id = ps.id
             LEFT JOIN fitting f ON f.id = ps.fitting_id
             LEFT JOIN (SELECT side_id, MAX(created_at) AS at FROM care_event WHERE kind = 'scuff' GROUP BY side_id) sc
                ON sc.side_id = ps.id AND sc.at >= f.created_at
             LEFT JOIN care_event coat ON coat.side_id = ps.id AND coat.kind = 'coat' AND coat.created_at = k.at
             LEFT JOIN agent_stock a ON a.id = coat.agent_id
             LEFT JOIN sheet_tally t ON t.fitting_id = ps.fitting_id
             $where",
            null === $only ? [] : [$only->id->toBinary()],
        ) as $row) {
            $found[Uuid::fromBinary((string) $row['id'])->toRfc4122()] = new SideHistory(
                (int) $row['since_fitting'],
                (int) $row['since_wash'],
                (int) $row['since_coat'],
                self::time($row['washed_at']),
                self::time($row['coated_at']),
                \is_string($row['kind_id']) ? $row['kind_id'] : null,
                \is_string($row['agent']) ? $row['agent'] : null,
                self::time($row['last_held']),
                self::time($row['scuffed_at']),
                (int) $row['damages'],
                self::time($row['last_print']),
            );
        }

        return $found;
    }

    private static function time(mixed $value): ?string
    {
        return \is_string($value) ? (new \DateTimeImmutable($value, new \DateTimeZone('UTC')))->format(\DATE_ATOM) : null;
    }
}
