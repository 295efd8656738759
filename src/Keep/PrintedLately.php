<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\StoredId;
use App\Shelf\Number;
use Doctrine\DBAL\Connection;
use Sitzplatz\Keep\Printed;
use Sitzplatz\Keep\SignedSeat;

/** What was printed for use, by setup, and what signed profiles stand for. */
final readonly class PrintedLately
{
    public function __construct(private Connection $database, private ProfileDoubts $doubts)
    {
    }

    /** @return list<Printed> since the month of a time, the most printed first */
    public function since(\DateTimeImmutable $from): array
    {
        $printed = [];
        foreach ($this->database->iterateAssociative(
            'SELECT t.material_id, t.printer_id, t.side_id, f.surface_id, a.kind_id, t.bed_first_c, t.exposure_s, SUM(t.prints) AS prints,
                SUM(t.prints * t.came_true) AS came_true, MAX(IF(t.came_true = 1, t.last_at, NULL)) AS last_true
             FROM job_tally t JOIN fitting f ON f.id = t.fitting_id LEFT JOIN agent_stock a ON a.id = t.agent_id
             WHERE t.month >= ?
             GROUP BY t.material_id, t.printer_id, t.side_id, f.surface_id, a.kind_id, t.bed_first_c, t.exposure_s ORDER BY prints DESC',
            [$from->format('Y-m')],
        ) as $row) {
            $printed[] = new Printed(
                (string) $row['material_id'],
                StoredId::text($row['printer_id']),
                StoredId::text($row['side_id']),
                (string) $row['surface_id'],
                null === $row['kind_id'] ? null : (string) $row['kind_id'],
                Number::orNull($row['bed_first_c']),
                Number::orNull($row['exposure_s']),
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
            'SELECT p.id, p.material_id, p.side_id, p.status, p.terms, g.surface_id, '.ProfileDoubts::GROUND.'
             FROM profile p '.ProfileDoubts::SHELF.' WHERE p.status IN (?, ?)',
            [Profile::VALIDATED, Profile::TRIAL],
        ) as $row) {
            /** @var array{scope: array<string, mixed>, setting: array<string, mixed>} $terms */
            $terms = json_decode((string) $row['terms'], true, 16, \JSON_THROW_ON_ERROR);
            ['scope' => $scope, 'setting' => $setting] = $terms;
            $seats[] = new SignedSeat(
                (string) $row['material_id'],
                StoredId::textOrNull($row['printer_id']),
                StoredId::textOrNull($row['side_id']),
                (string) ($row['surface_id'] ?? $scope['surfaceId']),
                isset($setting['agentId']) ? (string) $setting['agentId'] : null,
                Number::orNull($setting['bedFirstC'] ?? null),
                Number::orNull($setting['exposureS'] ?? null),
                Profile::TRIAL === $row['status'],
                [] !== $this->doubts->ofRow($row),
                StoredId::text($row['id']),
                Number::orNull($scope['longestJobMinutes']),
                (int) $scope['mostParts'],
            );
        }

        return $seats;
    }
}
