<?php

declare(strict_types=1);

namespace App\Choose;

use Doctrine\DBAL\Connection;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnPiece;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Choose\Request\LastGap;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Warp\LiftCalibration;
use Symfony\Component\Uid\Uuid;

/** The shop's own runs, counted; void runs do not count, nor runs on a sheet that lies there no more. */
final readonly class OwnRunsRepository
{
    private const RUNS = "FROM comparison c
             JOIN setup s ON s.comparison_id = c.id
             JOIN fitting f ON f.id = s.fitting_id
             LEFT JOIN agent_stock a ON a.id = s.agent_id
             JOIN run r ON r.setup_id = s.id AND r.status = 'done'";
    private const WANTED = 'c.material_id = ? AND f.surface_id = ? AND a.kind_id <=> ?';

    public function __construct(private Connection $database)
    {
    }

    /** @param list<ProvenSeat> $proven */
    public function experience(string $materialId, array $proven = []): Experience
    {
        return new Experience($this->runs($materialId), $proven);
    }

    /** @return list<OwnRuns> */
    public function runs(string $materialId): array
    {
        return $this->counted('WHERE c.material_id = ?', [$materialId])[$materialId] ?? [];
    }

    /** @return array<string, list<OwnRuns>> by material */
    public function all(): array
    {
        return $this->counted('', []);
    }

    /**
     * @param list<string> $parameters
     *
     * @return array<string, list<OwnRuns>> by material
     */
    private function counted(string $where, array $parameters): array
    {
        $rows = $this->database->iterateAssociative(
            "SELECT c.material_id, s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c, s.bed_other_c,
                    c.printer_id, p.has_enclosure, p.chamber_c, c.nozzle_first_c, c.gap_mm, COALESCE(many.parts, 1) AS parts,
                    r.held, r.effort, r.damage,
                    -- Runs about as long are drawn together, and count as the shortest of them.
                    FLOOR(4 * LOG2(GREATEST(r.print_minutes, 1))) AS about, MIN(r.print_minutes) AS minutes,
                    COUNT(*) AS times, ps.fitting_id = f.id AS lies_there
             FROM comparison c
             JOIN printer p ON p.id = c.printer_id
             JOIN setup s ON s.comparison_id = c.id
             JOIN fitting f ON f.id = s.fitting_id
             JOIN plate_side ps ON ps.id = s.side_id
             LEFT JOIN agent_stock a ON a.id = s.agent_id
             JOIN run r ON r.setup_id = s.id AND r.status = 'done'
             LEFT JOIN (SELECT run_id, COUNT(*) AS parts FROM part GROUP BY run_id HAVING parts > 1) many ON many.run_id = r.id
             $where
             GROUP BY c.material_id, s.side_id, f.surface_id, a.kind_id, c.lot_id, s.bed_first_c, s.bed_other_c,
                      c.printer_id, c.nozzle_first_c, c.gap_mm, parts, about, r.held, r.effort, r.damage, lies_there",
            $parameters,
        );
        $groups = [];
        foreach ($rows as $row) {
            $key = implode('/', [
                $row['material_id'],
                $row['surface_id'],
                bin2hex($row['side_id'].$row['lot_id'].$row['printer_id']),
                $row['kind_id'],
                $row['bed_first_c'],
                $row['bed_other_c'],
                $row['nozzle_first_c'],
                $row['gap_mm'],
                $row['parts'],
                $row['about'],
            ]);
            $groups[$key]['row'] ??= $row;
            if (null !== $row['minutes']) {
                $groups[$key]['minutes'] = min($groups[$key]['minutes'] ?? \INF, (float) $row['minutes']);
            }
            $groups[$key]['counts'][] = new RunCount(
                (int) $row['times'],
                null === $row['held'] ? null : (bool) $row['held'],
                null === $row['effort'] ? null : Effort::from((int) $row['effort']),
                null === $row['damage'] ? null : (bool) $row['damage'],
                (bool) $row['lies_there'],
            );
        }

        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $runs = [];
        foreach ($groups as $group) {
            $row = $group['row'];
            [$all, $held, $released, $clean] = OwnRuns::tally($group['counts']);
            $runs[(string) $row['material_id']][] = new OwnRuns(
                Uuid::fromBinary((string) $row['side_id'])->toRfc4122(),
                (string) $row['surface_id'],
                null === $row['kind_id'] ? null : (string) $row['kind_id'],
                Uuid::fromBinary((string) $row['lot_id'])->toRfc4122(),
                $number($row['bed_first_c']),
                $all,
                $held,
                $released,
                $clean,
                $group['minutes'] ?? null,
                (int) $row['parts'],
                $number($row['bed_other_c']),
                Uuid::fromBinary((string) $row['printer_id'])->toRfc4122(),
                (bool) $row['has_enclosure'],
                $number($row['chamber_c']),
                $number($row['nozzle_first_c']),
                $number($row['gap_mm']),
            );
        }

        return $runs;
    }

    /** @return array<string, LastGap> by side: of the last run of a material that held there on a printer */
    public function lastGaps(string $materialId, string $printerId): array
    {
        $gaps = [];
        foreach ($this->database->iterateAssociative(
            "SELECT s.side_id, c.gap_mm, c.feeler, MAX(r.finished_at) AS at
             FROM comparison c JOIN setup s ON s.comparison_id = c.id JOIN run r ON r.setup_id = s.id AND r.status = 'done' AND r.held = 1
             WHERE c.material_id = ? AND c.printer_id = ? AND c.gap_mm IS NOT NULL
             GROUP BY s.side_id, c.gap_mm, c.feeler ORDER BY at",
            [$materialId, Uuid::fromString($printerId)->toBinary()],
        ) as $row) {
            $gaps[Uuid::fromBinary((string) $row['side_id'])->toRfc4122()] = new LastGap(
                (float) $row['gap_mm'],
                (string) $row['feeler'],
                substr((string) $row['at'], 0, 10),
            );
        }

        return $gaps;
    }

    /** Hot pulls, lifts and held runs of a material on a kind of surface with a kind of agent, by comparison and bed temperature. */
    public function strength(string $materialId, string $surfaceId, ?string $agentId): OwnStrength
    {
        $wanted = [$materialId, $surfaceId, $agentId];
        $readings = [];
        foreach ($this->database->iterateAssociative(
            "SELECT c.id, s.bed_other_c, SUM(m.measure = 'pull_hot') AS pulls,
                    AVG(IF(m.measure = 'pull_hot', m.value, NULL)) AS mean, STDDEV_SAMP(IF(m.measure = 'pull_hot', m.value, NULL)) AS sd,
                    SUM(m.measure = 'lift') AS lifts, SUM(m.measure = 'lift' AND m.value >= ?) AS lifted, SUM(IF(m.measure = 'lift', m.value, 0)) AS total
             ".self::RUNS."
             JOIN part pt ON pt.run_id = r.id
             JOIN reading m ON m.part_id = pt.id AND m.measure IN ('pull_hot', 'lift')
             JOIN standing st ON st.reading_id = m.id
             WHERE ".self::WANTED.' GROUP BY c.id, s.bed_other_c',
            [LiftCalibration::LIFT_FROM_MM, ...$wanted],
        ) as $row) {
            $readings[$row['id'].'/'.$row['bed_other_c']] = $row;
        }
        $pieces = [];
        foreach ($this->database->iterateAssociative(
            "SELECT c.id, s.bed_other_c, c.room_c, p.has_enclosure, COUNT(r.held) AS runs, SUM(COALESCE(r.held, 0)) AS held,
                    JSON_VALUE(c.constants, '$.piece.name') AS name, JSON_VALUE(c.constants, '$.piece.alongPullMm') AS along_mm,
                    JSON_VALUE(c.constants, '$.piece.acrossPullMm') AS across_mm, JSON_VALUE(c.constants, '$.piece.pullHeightMm') AS height_mm
             ".self::RUNS.' JOIN printer p ON p.id = c.printer_id WHERE '.self::WANTED.' GROUP BY c.id, s.bed_other_c',
            $wanted,
        ) as $row) {
            $read = $readings[$row['id'].'/'.$row['bed_other_c']] ?? [];
            $pieces[] = new OwnPiece(
                new TestPiece((string) $row['name'], (float) $row['along_mm'], (float) $row['across_mm'], (float) $row['height_mm']),
                (float) $row['room_c'],
                // The part grows on the bed as it is after the first layer.
                null === $row['bed_other_c'] ? null : (float) $row['bed_other_c'],
                (bool) $row['has_enclosure'],
                (int) $row['runs'],
                (int) $row['held'],
                (int) ($read['pulls'] ?? 0),
                (float) ($read['mean'] ?? 0),
                (float) ($read['sd'] ?? 0),
                (int) ($read['lifts'] ?? 0),
                (int) ($read['lifted'] ?? 0),
                (float) ($read['total'] ?? 0),
            );
        }

        return new OwnStrength($pieces);
    }
}
