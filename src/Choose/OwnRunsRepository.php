<?php

declare(strict_types=1);

namespace App\Choose;

use Doctrine\DBAL\Connection;
use Sitzplatz\Choose\Experience;
use Sitzplatz\Choose\OwnRuns;
use Sitzplatz\Choose\OwnStrength;
use Sitzplatz\Choose\RunCount;
use Sitzplatz\Test\Effort;
use Sitzplatz\Warp\LiftCalibration;
use Symfony\Component\Uid\Uuid;

/** The shop's own runs, counted; void runs do not count, nor runs on a sheet that lies there no more. */
final readonly class OwnRunsRepository
{
    public function __construct(private Connection $database)
    {
    }

    public function experience(string $materialId): Experience
    {
        return new Experience($this->runs($materialId));
    }

    /** @return list<OwnRuns> */
    public function runs(string $materialId): array
    {
        $rows = $this->database->iterateAssociative(
            "SELECT s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c, r.held, r.effort, COALESCE(r.damage, 0) AS damaged,
                    COUNT(*) AS times, MAX(JSON_VALUE(c.durations, '$.printMinutes')) AS longest
             FROM comparison c
             JOIN setup s ON s.comparison_id = c.id
             JOIN fitting f ON f.id = s.fitting_id
             JOIN plate_side ps ON ps.id = s.side_id AND ps.fitting_id = f.id
             LEFT JOIN agent_stock a ON a.id = s.agent_id
             JOIN run r ON r.setup_id = s.id AND r.status = 'done'
             WHERE c.material_id = ?
             GROUP BY s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c, r.held, r.effort, damaged",
            [$materialId],
        );
        $groups = [];
        foreach ($rows as $row) {
            $key = bin2hex($row['side_id'].$row['lot_id']).'/'.$row['kind_id'].'/'.$row['bed_first_c'];
            $groups[$key]['row'] ??= $row;
            $groups[$key]['longest'] = max($groups[$key]['longest'] ?? 0.0, (float) $row['longest']);
            $groups[$key]['counts'][] = new RunCount(
                (int) $row['times'],
                null === $row['held'] ? null : (bool) $row['held'],
                null === $row['effort'] ? null : Effort::from((int) $row['effort']),
                (bool) $row['damaged'],
            );
        }

        return array_values(array_map(static fn (array $group): OwnRuns => OwnRuns::counted(
            Uuid::fromBinary((string) $group['row']['side_id'])->toRfc4122(),
            (string) $group['row']['surface_id'],
            null === $group['row']['kind_id'] ? null : (string) $group['row']['kind_id'],
            Uuid::fromBinary((string) $group['row']['lot_id'])->toRfc4122(),
            null === $group['row']['bed_first_c'] ? null : (float) $group['row']['bed_first_c'],
            $group['counts'],
            $group['longest'] > 0 ? $group['longest'] : null,
            1,
        ), $groups));
    }

    /** Hot pulls and lifts of a material on a kind of surface with a kind of agent. */
    public function strength(string $materialId, string $surfaceId, ?string $agentId): OwnStrength
    {
        $pulls = $this->database->fetchAssociative(
            "SELECT COUNT(*) AS n, AVG(mpa) AS mean, STDDEV_SAMP(mpa) AS sd FROM (
                SELECT m.value / (JSON_VALUE(c.constants, '$.piece.alongPullMm') * JSON_VALUE(c.constants, '$.piece.acrossPullMm')) AS mpa
                ".self::READINGS." AND m.measure = 'pull_hot'
             ) pulls",
            [$materialId, $surfaceId, $agentId],
        ) ?: ['n' => 0, 'mean' => null, 'sd' => null];
        $lifts = $this->database->fetchAllAssociative(
            "SELECT COUNT(*) AS n, SUM(m.value >= ?) AS lifted, SUM(m.value) AS total, c.room_c, s.bed_first_c, p.has_enclosure,
                    JSON_VALUE(c.constants, '$.piece.alongPullMm') + 0.0 AS along_mm, JSON_VALUE(c.constants, '$.piece.acrossPullMm') + 0.0 AS across_mm,
                    JSON_VALUE(c.constants, '$.piece.pullHeightMm') + 0.0 AS height_mm
             ".self::READINGS." AND m.measure = 'lift' GROUP BY c.id, s.bed_first_c",
            [LiftCalibration::LIFT_FROM_MM, $materialId, $surfaceId, $agentId],
        );

        return new OwnStrength(
            $surfaceId,
            $agentId,
            (int) $pulls['n'],
            null === $pulls['mean'] ? null : (float) $pulls['mean'],
            null === $pulls['sd'] ? null : (float) $pulls['sd'],
            array_map(static fn (array $row): array => [
                'readings' => (int) $row['n'],
                'lifted' => (int) $row['lifted'],
                'sumMm' => (float) $row['total'],
                'spanMm' => max((float) $row['along_mm'], (float) $row['across_mm']),
                'widthMm' => min((float) $row['along_mm'], (float) $row['across_mm']),
                'heightMm' => (float) $row['height_mm'],
                'roomC' => (float) $row['room_c'],
                'bedC' => null === $row['bed_first_c'] ? null : (float) $row['bed_first_c'],
                'enclosed' => (bool) $row['has_enclosure'],
            ], $lifts),
        );
    }

    private const READINGS = "FROM comparison c
             JOIN printer p ON p.id = c.printer_id
             JOIN setup s ON s.comparison_id = c.id
             JOIN fitting f ON f.id = s.fitting_id
             LEFT JOIN agent_stock a ON a.id = s.agent_id
             JOIN run r ON r.setup_id = s.id AND r.status = 'done'
             JOIN part pt ON pt.run_id = r.id
             JOIN reading m ON m.part_id = pt.id
             LEFT JOIN reading later ON later.amends_id = m.id
             WHERE later.id IS NULL AND c.material_id = ? AND f.surface_id = ? AND a.kind_id <=> ?";
}
