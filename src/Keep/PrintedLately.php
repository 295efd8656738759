<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\StoredId;
use App\Platform\Database\UtcType;
use Doctrine\DBAL\Connection;
use Sitzplatz\Keep\Printed;
use Sitzplatz\Keep\SignedSeat;

/** What was printed for use, by setup, and what signed profiles stand for. */
final readonly class PrintedLately
{
    public function __construct(private Connection $database, private ProfileDoubts $doubts)
    {
    }

    /** @return list<Printed> since a time, the most printed first */
    public function since(\DateTimeImmutable $from): array
    {
        $printed = [];
        foreach ($this->database->iterateAssociative(
            "SELECT j.material_id, j.printer_id, j.side_id, f.surface_id, a.kind_id, COUNT(*) AS prints, SUM(j.came_true) AS came_true,
                MAX(IF(j.came_true = 1, j.answered_at, NULL)) AS last_true
             FROM job j JOIN fitting f ON f.id = j.fitting_id LEFT JOIN agent_stock a ON a.id = j.agent_id
             WHERE j.status = 'answered' AND j.created_at > ? GROUP BY j.material_id, j.printer_id, j.side_id, f.surface_id, a.kind_id ORDER BY prints DESC",
            [UtcType::text($from)],
        ) as $row) {
            $printed[] = new Printed(
                (string) $row['material_id'],
                StoredId::text($row['printer_id']),
                StoredId::text($row['side_id']),
                (string) $row['surface_id'],
                null === $row['kind_id'] ? null : (string) $row['kind_id'],
                (int) $row['prints'],
                (int) $row['came_true'],
                null === $row['last_true'] ? null : (new \DateTimeImmutable((string) $row['last_true'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
            );
        }

        return $printed;
    }

    /** @return list<SignedSeat> */
    public function signed(): array
    {
        $seats = [];
        foreach ($this->database->iterateAssociative(
            "SELECT p.material_id, p.side_id, p.status, COALESCE(g.surface_id, JSON_VALUE(p.document, '$.scope.surfaceId')) AS surface_id,
                JSON_VALUE(p.document, '$.setting.agentId') AS agent_kind_id, ".ProfileDoubts::GROUND.' FROM profile p '.ProfileDoubts::SHELF.'
             WHERE p.status IN (?, ?)',
            [Profile::VALIDATED, Profile::TRIAL],
        ) as $row) {
            $seats[] = new SignedSeat(
                (string) $row['material_id'],
                StoredId::textOrNull($row['printer_id']),
                StoredId::textOrNull($row['side_id']),
                (string) $row['surface_id'],
                null === $row['agent_kind_id'] ? null : (string) $row['agent_kind_id'],
                Profile::TRIAL === $row['status'],
                [] !== $this->doubts->ofRow($row),
            );
        }

        return $seats;
    }
}
