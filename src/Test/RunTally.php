<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\DBAL\Connection;
use Sitzplatz\Warp\LiftCalibration;

/**
 * Counts of finished runs that are alike in all that matters to how much they say, kept as runs are finished, amended and
 * declared void, so that nobody counts all runs to choose a plate. What a change touches is counted again, not counted up or
 * down: an error cannot stay. Verdicts and profiles do not read them; they read the runs that they name.
 */
final readonly class RunTally
{
    /** All runs of one lot on one sheet with one agent at one setting of one printer, whatever comparison they are of. */
    private const SEAT = "UNHEX(MD5(CONCAT_WS('/', c.material_id, HEX(s.fitting_id), IFNULL(a.kind_id, ''), HEX(c.lot_id), HEX(c.printer_id),
        IFNULL(s.bed_first_c, ''), IFNULL(s.bed_other_c, ''), IFNULL(c.nozzle_first_c, ''), IFNULL(c.gap_mm, ''), c.feeler)))";
    private const SETUPS = 'FROM setup s
        JOIN comparison c ON c.id = s.comparison_id
        JOIN fitting f ON f.id = s.fitting_id
        LEFT JOIN agent_stock a ON a.id = s.agent_id';
    private const COLUMNS = 'seat, material_id, surface_id, agent_kind_id, side_id, fitting_id, lot_id, printer_id, bed_first_c, bed_other_c, nozzle_first_c,
        gap_mm, feeler, parts, about, void, held, effort, damage, times, minutes, last_at';

    public function __construct(private Connection $database)
    {
    }

    /** Of the runs that a setup shares its seat with, and of its own readings. */
    public function recount(string $setupId): void
    {
        $seat = $this->database->fetchAssociative('SELECT '.self::SEAT.' AS seat, s.fitting_id '.self::SETUPS.' WHERE s.id = ?', [$setupId]);
        if (false === $seat) {
            return;
        }
        $this->database->executeStatement('DELETE FROM run_tally WHERE seat = ?', [$seat['seat']]);
        $this->database->executeStatement(
            'INSERT INTO run_tally ('.self::COLUMNS.') '.self::runs('WHERE s.fitting_id = ? AND '.self::SEAT.' = ?'),
            [$seat['fitting_id'], $seat['seat']],
        );
        $this->database->executeStatement('DELETE FROM setup_tally WHERE setup_id = ?', [$setupId]);
        $this->database->executeStatement(
            'INSERT INTO setup_tally '.self::readings('WHERE s.id = ?', 'AND d.setup_id = ?'),
            [LiftCalibration::LIFT_FROM_MM, $setupId, $setupId],
        );
        $this->database->executeStatement('DELETE FROM sheet_tally WHERE fitting_id = ?', [$seat['fitting_id']]);
        $this->database->executeStatement('INSERT INTO sheet_tally '.self::sheets('WHERE fitting_id = ?'), [$seat['fitting_id']]);
    }

    /** Counts everything again. */
    public function rebuild(): void
    {
        $this->database->transactional(function (): void {
            foreach (self::rebuilding() as [$sql, $parameters]) {
                $this->database->executeStatement($sql, $parameters);
            }
        });
    }

    /** @return list<array{string, list<float>}> statements with their parameters, which count everything again */
    public static function rebuilding(): array
    {
        return [
            ['DELETE FROM run_tally', []],
            ['INSERT INTO run_tally ('.self::COLUMNS.') '.self::runs(''), []],
            ['DELETE FROM setup_tally', []],
            ['INSERT INTO setup_tally '.self::readings('', ''), [LiftCalibration::LIFT_FROM_MM]],
            ['DELETE FROM sheet_tally', []],
            ['INSERT INTO sheet_tally '.self::sheets(''), []],
        ];
    }

    /** @return int groups that are not as all runs counted again have them; 0: the tallies are right */
    public function wrong(): int
    {
        $wrong = 0;
        $stored = 'SELECT '.self::COLUMNS.' FROM run_tally';
        foreach ([
            [$stored, self::runs(''), []],
            ['SELECT * FROM setup_tally', self::readings('', ''), [LiftCalibration::LIFT_FROM_MM]],
            ['SELECT * FROM sheet_tally', self::sheets(''), []],
        ] as [$kept, $counted, $with]) {
            foreach ([["($kept) EXCEPT ALL ($counted)", $with], ["($counted) EXCEPT ALL ($kept)", $with]] as [$sql, $parameters]) {
                $found = $this->database->fetchOne("SELECT COUNT(*) FROM ($sql) differing", $parameters);
                $wrong += is_numeric($found) ? (int) $found : 0;
            }
        }

        return $wrong;
    }

    /** What a sheet has seen, void runs too: they wear it as well. */
    private static function sheets(string $where): string
    {
        return "SELECT fitting_id, SUM(times), COALESCE(SUM(IF(damage = 1, times, 0)), 0), MAX(IF(held = 1, last_at, NULL)), MAX(last_at)
            FROM run_tally $where GROUP BY fitting_id";
    }

    /** Runs about as long are drawn together, and count as the shortest of them. */
    private static function runs(string $where): string
    {
        return 'SELECT '.self::SEAT.' AS seat, c.material_id, f.surface_id, a.kind_id, s.side_id, s.fitting_id, c.lot_id, c.printer_id,
                s.bed_first_c, s.bed_other_c, c.nozzle_first_c, c.gap_mm, c.feeler, (SELECT COUNT(*) FROM part p WHERE p.run_id = r.id) AS parts,
                FLOOR(4 * LOG2(GREATEST(r.print_minutes, 1))) AS about, r.status = \'void\' AS void, r.held, r.effort, r.damage,
                COUNT(*), MIN(r.print_minutes), MAX(r.finished_at)
            '.self::SETUPS." JOIN run r ON r.setup_id = s.id AND r.finished_at IS NOT NULL $where
            GROUP BY seat, c.material_id, f.surface_id, a.kind_id, s.side_id, s.fitting_id, c.lot_id, c.printer_id, s.bed_first_c, s.bed_other_c,
                c.nozzle_first_c, c.gap_mm, c.feeler, parts, about, void, r.held, r.effort, r.damage";
    }

    /**
     * Hot pulls and lifts of a setup as they stand, and how many of its runs held.
     *
     * @param string $ofSetup and $ofRun: of which; "" for all
     */
    private static function readings(string $ofSetup, string $ofRun): string
    {
        return 'SELECT s.id, c.material_id, f.surface_id, a.kind_id, COALESCE(m.pulls, 0), COALESCE(m.pull_sum, 0), COALESCE(m.pull_squares, 0),
                COALESCE(m.lifts, 0), COALESCE(m.lifted, 0), COALESCE(m.lift_sum, 0), COUNT(r.held), COALESCE(SUM(r.held), 0)
            '.self::SETUPS." JOIN run r ON r.setup_id = s.id AND r.status = 'done'
            LEFT JOIN (
                SELECT d.setup_id, SUM(v.measure = 'pull_hot') AS pulls, SUM(IF(v.measure = 'pull_hot', v.value, 0)) AS pull_sum,
                    SUM(IF(v.measure = 'pull_hot', v.value * v.value, 0)) AS pull_squares, SUM(v.measure = 'lift') AS lifts,
                    SUM(v.measure = 'lift' AND v.value >= ?) AS lifted, SUM(IF(v.measure = 'lift', v.value, 0)) AS lift_sum
                FROM run d JOIN part p ON p.run_id = d.id JOIN standing st ON st.part_id = p.id JOIN reading v ON v.id = st.reading_id
                WHERE d.status = 'done' AND v.measure IN ('pull_hot', 'lift') $ofRun GROUP BY d.setup_id
            ) m ON m.setup_id = s.id
            $ofSetup
            GROUP BY s.id, c.material_id, f.surface_id, a.kind_id, m.pulls, m.pull_sum, m.pull_squares, m.lifts, m.lifted, m.lift_sum";
    }
}
