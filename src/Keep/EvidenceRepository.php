<?php

declare(strict_types=1);

namespace App\Keep;

use App\Test\RunRepository;
use App\Test\Setup;
use Doctrine\DBAL\Connection;
use Sitzplatz\Keep\EvidenceRun;
use Sitzplatz\Test\Reading;
use Symfony\Component\Uid\Uuid;

/**
 * The runs that speak for a setup: same material, printer, fitting, agent, bed and first-layer nozzle, made since the
 * last change to the printer. With "any lot" and "any plate" the lot and the fitting may differ.
 */
final readonly class EvidenceRepository
{
    public function __construct(private Connection $database, private RunRepository $runs)
    {
    }

    /** @return list<EvidenceRun> */
    public function runs(Setup $setup, bool $anyLot, bool $anyPlate): array
    {
        $comparison = $setup->comparison;
        $where = "r.status IN ('done', 'void') AND r.comparison_id IN (SELECT c.id FROM comparison c WHERE c.material_id = ? AND c.printer_id = ?"
            .($anyLot ? '' : ' AND c.lot_id = ?')
            ." AND JSON_VALUE(c.constants, '$.nozzleMm') <=> ? AND JSON_VALUE(c.constants, '$.nozzleFirstC') <=> ? AND JSON_VALUE(c.constants, '$.firstLayerGap') <=> ?)
              AND r.setup_id IN (SELECT s.id FROM setup s JOIN fitting f ON f.id = s.fitting_id LEFT JOIN agent_stock a ON a.id = s.agent_id
                WHERE ".($anyPlate ? 'f.surface_id = ?' : 's.fitting_id = ?').' AND a.kind_id <=> ? AND s.bed_first_c <=> ? AND s.bed_other_c <=> ?)
              AND r.finished_at > COALESCE((SELECT MAX(e.created_at) FROM change_event e WHERE e.printer_id = ?), \'1970-01-01\')';
        $constants = $comparison->constants;
        $parameters = [
            $comparison->materialId,
            $comparison->printer->id->toBinary(),
            ...($anyLot ? [] : [$comparison->lot->id->toBinary()]),
            $constants['nozzleMm'],
            $constants['nozzleFirstC'],
            $constants['firstLayerGap'],
            $anyPlate ? $setup->fitting->surfaceId : $setup->fitting->id->toBinary(),
            $setup->agent?->kindId,
            $setup->bedFirstC,
            $setup->bedOtherC,
            $comparison->printer->id->toBinary(),
        ];
        $readings = [];
        foreach ($this->runs->standingRows($where, $parameters) as $row) {
            $readings[$row['run']][] = $row['reading'];
        }

        return $this->withConditions($where, $parameters, $readings);
    }

    /**
     * @param list<mixed>                  $parameters
     * @param array<string, list<Reading>> $readings   by run
     *
     * @return list<EvidenceRun>
     */
    private function withConditions(string $where, array $parameters, array $readings): array
    {
        $found = [];
        $rows = $this->database->iterateAssociative(
            "SELECT r.id, r.status, r.room_c, c.lot_id, ps.plate_id, pr.has_enclosure, JSON_VALUE(c.durations, '$.printMinutes') AS minutes,
                    (SELECT COUNT(*) FROM part p WHERE p.run_id = r.id) AS parts
             FROM run r JOIN comparison c ON c.id = r.comparison_id JOIN printer pr ON pr.id = c.printer_id
             JOIN setup s ON s.id = r.setup_id JOIN plate_side ps ON ps.id = s.side_id
             WHERE $where ORDER BY r.finished_at, r.id",
            $parameters,
        );
        foreach ($rows as $row) {
            $id = Uuid::fromBinary((string) $row['id'])->toRfc4122();
            $found[] = new EvidenceRun(
                $id,
                'void' === $row['status'],
                $readings[$id] ?? [],
                bin2hex((string) $row['lot_id']),
                bin2hex((string) $row['plate_id']),
                (float) $row['room_c'],
                (float) $row['minutes'],
                (int) $row['parts'],
                (bool) $row['has_enclosure'],
            );
        }

        return $found;
    }
}
