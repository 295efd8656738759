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
use Symfony\Component\Uid\Uuid;

/**
 * The shop's own runs, from the tallies; void runs do not count, nor runs on a sheet that lies there no more: they say nothing
 * of the side as it is.
 */
final readonly class OwnRunsRepository
{
    private const TALLIES = 'FROM run_tally t JOIN plate_side ps ON ps.id = t.side_id AND ps.fitting_id = t.fitting_id';

    public function __construct(private Connection $database)
    {
    }

    /** @param list<ProvenSeat> $proven */
    public function experience(string $materialId, array $proven = []): Experience
    {
        return new Experience($this->counted($materialId), $proven);
    }

    /**
     * What own runs say of each pair, whatever the setting.
     *
     * @param string|null $materialId null: of all
     *
     * @return array<string, array<string, array<string, array{held: int, runs: int, clean: int, released: int}>>> by material, surface and agent ("" for bare)
     */
    public function sums(?string $materialId): array
    {
        $counts = [];
        foreach ($this->database->iterateAssociative(
            'SELECT t.material_id, t.surface_id, t.agent_kind_id, t.held, t.effort, t.damage, SUM(t.times) AS times
             '.self::TALLIES.' WHERE t.void = 0 AND (? IS NULL OR t.material_id = ?)
             GROUP BY t.material_id, t.surface_id, t.agent_kind_id, t.held, t.effort, t.damage',
            [$materialId, $materialId],
        ) as $row) {
            $counts[(string) $row['material_id']][(string) $row['surface_id']][(string) $row['agent_kind_id']][] = self::count($row);
        }

        return array_map(static fn (array $surfaces): array => array_map(static fn (array $agents): array => array_map(
            static fn (array $counts): array => array_combine(['runs', 'held', 'released', 'clean'], OwnRuns::tally($counts)),
            $agents,
        ), $surfaces), $counts);
    }

    /** @return list<OwnRuns> */
    private function counted(string $materialId): array
    {
        $rows = $this->database->iterateAssociative(
            'SELECT t.side_id, t.surface_id, t.agent_kind_id, t.lot_id, t.bed_first_c, t.bed_other_c, t.printer_id, p.has_enclosure,
                p.chamber_c, t.nozzle_first_c, t.gap_mm, t.parts, t.held, t.effort, t.damage, t.about, t.minutes, t.times
             '.self::TALLIES.' JOIN printer p ON p.id = t.printer_id WHERE t.void = 0 AND t.material_id = ?',
            [$materialId],
        );
        $groups = [];
        foreach ($rows as $row) {
            $key = implode('/', [
                $row['surface_id'],
                bin2hex($row['side_id'].$row['lot_id'].$row['printer_id']),
                $row['agent_kind_id'],
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
            $groups[$key]['counts'][] = self::count($row);
        }

        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $known = [];
        $uuid = static function (mixed $bytes) use (&$known): string {
            $key = \is_string($bytes) ? $bytes : '';

            return $known[$key] ??= Uuid::fromBinary($key)->toRfc4122();
        };
        $runs = [];
        foreach ($groups as $group) {
            $row = $group['row'];
            [$all, $held, $released, $clean] = OwnRuns::tally($group['counts']);
            $runs[] = new OwnRuns(
                $uuid($row['side_id']),
                (string) $row['surface_id'],
                null === $row['agent_kind_id'] ? null : (string) $row['agent_kind_id'],
                $uuid($row['lot_id']),
                $number($row['bed_first_c']),
                $all,
                $held,
                $released,
                $clean,
                $group['minutes'] ?? null,
                (int) $row['parts'],
                $number($row['bed_other_c']),
                $uuid($row['printer_id']),
                (bool) $row['has_enclosure'],
                $number($row['chamber_c']),
                $number($row['nozzle_first_c']),
                $number($row['gap_mm']),
            );
        }

        return $runs;
    }

    /** @param array<string, mixed> $row */
    private static function count(array $row): RunCount
    {
        return new RunCount(
            is_numeric($row['times']) ? (int) $row['times'] : 0,
            null === $row['held'] ? null : (bool) $row['held'],
            is_numeric($row['effort']) ? Effort::from((int) $row['effort']) : null,
            null === $row['damage'] ? null : (bool) $row['damage'],
        );
    }

    /** @return array<string, LastGap> by side: of the last run of a material that held there on a printer */
    public function lastGaps(string $materialId, string $printerId): array
    {
        $gaps = [];
        foreach ($this->database->iterateAssociative(
            'SELECT side_id, gap_mm, feeler, MAX(last_at) AS at FROM run_tally
             WHERE material_id = ? AND printer_id = ? AND gap_mm IS NOT NULL AND held = 1 AND void = 0 GROUP BY side_id, gap_mm, feeler ORDER BY at',
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
        $pieces = [];
        foreach ($this->database->iterateAssociative(
            "SELECT c.room_c, s.bed_other_c, p.has_enclosure, SUM(t.runs) AS runs, SUM(t.held) AS held, SUM(t.pulls) AS pulls,
                    SUM(t.pull_sum) AS pull_sum, SUM(t.pull_squares) AS squares, SUM(t.lifts) AS lifts, SUM(t.lifted) AS lifted, SUM(t.lift_sum) AS lift_sum,
                    JSON_VALUE(c.constants, '$.piece.name') AS name, JSON_VALUE(c.constants, '$.piece.alongPullMm') AS along_mm,
                    JSON_VALUE(c.constants, '$.piece.acrossPullMm') AS across_mm, JSON_VALUE(c.constants, '$.piece.pullHeightMm') AS height_mm
             FROM setup_tally t JOIN setup s ON s.id = t.setup_id JOIN comparison c ON c.id = s.comparison_id JOIN printer p ON p.id = c.printer_id
             WHERE t.material_id = ? AND t.surface_id = ? AND t.agent_kind_id <=> ? GROUP BY c.id, s.bed_other_c",
            [$materialId, $surfaceId, $agentId],
        ) as $row) {
            $pulls = (int) $row['pulls'];
            $mean = $pulls > 0 ? $row['pull_sum'] / $pulls : 0.0;
            $pieces[] = new OwnPiece(
                new TestPiece((string) $row['name'], (float) $row['along_mm'], (float) $row['across_mm'], (float) $row['height_mm']),
                (float) $row['room_c'],
                // The part grows on the bed as it is after the first layer.
                null === $row['bed_other_c'] ? null : (float) $row['bed_other_c'],
                (bool) $row['has_enclosure'],
                (int) $row['runs'],
                (int) $row['held'],
                $pulls,
                $mean,
                $pulls > 1 ? sqrt(max(0.0, $row['squares'] - $pulls * $mean ** 2) / ($pulls - 1)) : 0.0,
                (int) $row['lifts'],
                (int) $row['lifted'],
                (float) $row['lift_sum'],
            );
        }

        return new OwnStrength($pieces);
    }
}
