<?php

declare(strict_types=1);

namespace App\Choose;

use Doctrine\DBAL\Connection;
use Sitzplatz\Choose\Experience;
use Sitzplatz\Choose\OwnRuns;
use Sitzplatz\Test\Effort;
use Symfony\Component\Uid\Uuid;

/** The shop's own runs of a material, counted per side, agent, lot and bed temperature; void runs do not count. */
final readonly class OwnRunsRepository
{
    public function __construct(private Connection $database)
    {
    }

    public function experience(string $materialId): Experience
    {
        $runs = [];
        $rows = $this->database->iterateAssociative(
            "SELECT s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c,
                    SUM(r.held IS NOT NULL) AS runs, SUM(r.held = 1) AS held,
                    SUM(r.effort IS NOT NULL) AS released, SUM(r.effort <= ? AND COALESCE(r.damage, 0) = 0) AS clean
             FROM comparison c
             JOIN setup s ON s.comparison_id = c.id
             JOIN fitting f ON f.id = s.fitting_id
             JOIN plate_side ps ON ps.id = s.side_id AND ps.fitting_id = f.id
             LEFT JOIN agent_stock a ON a.id = s.agent_id
             JOIN run r ON r.setup_id = s.id AND r.status = 'done'
             WHERE c.material_id = ?
             GROUP BY s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c",
            [Effort::Flex->value, $materialId],
        );
        foreach ($rows as $row) {
            $runs[] = new OwnRuns(
                Uuid::fromBinary((string) $row['side_id'])->toRfc4122(),
                (string) $row['surface_id'],
                null === $row['kind_id'] ? null : (string) $row['kind_id'],
                Uuid::fromBinary((string) $row['lot_id'])->toRfc4122(),
                null === $row['bed_first_c'] ? null : (float) $row['bed_first_c'],
                (int) $row['runs'],
                (int) $row['held'],
                (int) $row['released'],
                (int) $row['clean'],
            );
        }

        return new Experience($runs);
    }
}
