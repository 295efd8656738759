<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\DBAL\Connection;
use Sitzplatz\Care\PlacedPrints;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Warp\LiftCalibration;

/**
 * Counts of finished runs that are alike in all that matters to how much they say, kept as runs are finished, amended and
 * declared void, so that nobody counts all runs to choose a plate. Setups that are taken off hot speak for nothing but
 * their own comparison: how a part comes off hot is no word on how it comes off. What a change touches is counted again, not counted up or
 * down: an error cannot stay. Verdicts and profiles do not read them; they read the runs that they name.
 */
final readonly class RunTally
{
    /** All runs on one sheet with one agent at one setting of one printer, whatever comparison they are of. */
    private const SEAT = "UNHEX(MD5(CONCAT_WS('/', s.material_id, HEX(s.fitting_id), IFNULL(a.kind_id, ''), HEX(c.printer_id),
        IFNULL(s.bed_first_c, ''), IFNULL(s.gap_mm, ''), c.feeler, IFNULL(s.exposure_s, ''))))";
    /** The last change to the printer before a run ended; a fault is one when it begins and one when it ends. What it means, the core says. */
    private const EPOCH = '(SELECT MAX(IF(e.fault_until < r.finished_at, e.fault_until, COALESCE(e.fault_from, e.created_at))) FROM change_event e
            WHERE e.printer_id = c.printer_id AND IF(e.fault_from IS NULL, e.created_at < r.finished_at, e.fault_from <= r.finished_at))';
    private const LAST_CHANGE = '(SELECT printer_id, MAX(IF(fault_until < UTC_TIMESTAMP(6), fault_until, COALESCE(fault_from, created_at))) AS at
            FROM change_event GROUP BY printer_id)';
    /** Of prints for use, of which nozzle, gap and speed are not noted. */
    private const SEAT_OF_USE = "UNHEX(MD5(CONCAT_WS('/', 'use', j.material_id, HEX(j.fitting_id), IFNULL(a.kind_id, ''),
        HEX(j.printer_id), IFNULL(j.bed_first_c, ''), IFNULL(j.exposure_s, ''))))";
    private const SETUPS = 'FROM setup s
        JOIN comparison c ON c.id = s.comparison_id AND s.taken_hot = 0
        JOIN fitting f ON f.id = s.fitting_id
        LEFT JOIN agent_stock a ON a.id = s.agent_id';
    /** In what all runs of a group are alike; what else was different is a matter of the learned model, which reads each of them. */
    private const ALIKE = 'seat, material_id, surface_id, agent_kind_id, side_id, fitting_id, printer_id, bed_first_c, gap_mm, feeler, exposure_s,
        own_brim, epoch, source, void';
    private const MONTHLY = 'month, fitting_id, side_id, printer_id, material_id, agent_id, outcome, came_true, prints, minutes, damaged,
        last_at, energy_wh, energy_known, bed_first_c, exposure_s';
    private const COLUMNS = self::ALIKE.', outcomes, times, parts, minutes, held_at, last_at';
    /** What Choose asks of a group; under which conditions it was made in one piece, as many groups share theirs. */
    private const ASKED = "JSON_ARRAY(IFNULL(agent_kind_id, ''), CONCAT_WS('|', HEX(printer_id), source, IFNULL(bed_first_c, ''),
        IFNULL(exposure_s, ''), IFNULL(own_brim, 0)), outcomes, minutes, parts, epoch, last_at)";

    public function __construct(private Connection $database)
    {
    }

    /** Of the runs that a setup shares its seat with, and of its own readings. */
    public function recount(string $setupId): void
    {
        $sideId = $this->database->fetchOne('SELECT side_id FROM setup WHERE id = ?', [$setupId]);
        if (!\is_string($sideId)) {
            return;
        }
        // Two that count the same sheet for the first time would each add what the other has not seen yet.
        $this->database->fetchOne('SELECT side_id FROM side_tally WHERE side_id = ? FOR UPDATE', [$sideId]);
        $seat = $this->database->fetchAssociative('SELECT '.self::SEAT.' AS seat, s.fitting_id '.self::SETUPS.' WHERE s.id = ?', [$setupId]);
        if (false !== $seat) {
            $this->seat('test', (string) $seat['seat'], (string) $seat['fitting_id']);
            $this->ofSetup($setupId);
        }
        $this->recountSide($sideId);
    }

    /** Of the prints for use that one shares its seat with. */
    public function recountUse(string $jobId): void
    {
        $seat = $this->database->fetchAssociative(
            'SELECT j.side_id, '.self::SEAT_OF_USE.' AS seat, j.fitting_id, j.answered_at
             FROM job j LEFT JOIN agent_stock a ON a.id = j.agent_id WHERE j.id = ?',
            [$jobId],
        );
        if (false !== $seat) {
            $this->database->fetchOne('SELECT side_id FROM side_tally WHERE side_id = ? FOR UPDATE', [$seat['side_id']]);
            $this->seat('use', (string) $seat['seat'], (string) $seat['fitting_id']);
            $this->month((string) $seat['fitting_id'], (string) $seat['answered_at']);
        }
    }

    /** Draws together all groups of a sheet, so that Choose reads one row of a sheet and not each of hundreds. */
    private function drawTogether(string $fittingId): void
    {
        $this->database->executeStatement('DELETE FROM sheet_tally WHERE fitting_id = ?', [$fittingId]);
        $this->database->executeStatement('INSERT INTO sheet_tally '.self::sheets('AND fitting_id = ?'), [$fittingId, $fittingId]);
    }

    /** Of the prints for use on a sheet in the month of a time. */
    private function month(string $fittingId, string $at): void
    {
        $month = substr($at, 0, 7);
        $this->database->executeStatement('DELETE FROM job_tally WHERE fitting_id = ? AND month = ?', [$fittingId, $month]);
        $this->database->executeStatement(
            'INSERT INTO job_tally ('.self::MONTHLY.') '
                .self::months('AND j.fitting_id = ? AND j.answered_at >= ? AND j.answered_at < ? + INTERVAL 1 MONTH'),
            [$fittingId, "$month-01", "$month-01"],
        );
    }

    /** Where a change to a printer parts runs that were counted together until now. */
    public function part(string $printerId, \DateTimeImmutable $at): void
    {
        $between = $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s.u');
        foreach ($this->database->fetchAllAssociative(
            "SELECT DISTINCT seat, fitting_id FROM run_tally WHERE source = 'test' AND printer_id = ? AND last_at >= ? AND (epoch IS NULL OR epoch <= ?)",
            [$printerId, $between, $between],
        ) as $row) {
            $this->seat('test', (string) $row['seat'], (string) $row['fitting_id']);
        }
        $before = $this->database->fetchFirstColumn("SELECT DISTINCT fitting_id FROM run_tally WHERE source = 'use' AND printer_id = ?", [$printerId]);
        $this->database->executeStatement("DELETE FROM run_tally WHERE source = 'use' AND printer_id = ?", [$printerId]);
        $this->database->executeStatement('INSERT INTO run_tally ('.self::COLUMNS.') '.self::uses('AND j.printer_id = ?'), [$printerId]);
        $after = $this->database->fetchFirstColumn("SELECT DISTINCT fitting_id FROM run_tally WHERE source = 'use' AND printer_id = ?", [$printerId]);
        foreach (array_unique([...$before, ...$after]) as $fittingId) {
            $this->drawTogether(\is_string($fittingId) ? $fittingId : '');
        }
    }

    /** Where a stock turns out to be of another kind: all that was made with it. */
    public function recountAgent(string $agentId): void
    {
        foreach ($this->database->fetchFirstColumn(
            'SELECT fitting_id FROM setup WHERE agent_id = ? UNION SELECT fitting_id FROM job WHERE agent_id = ?',
            [$agentId, $agentId],
        ) as $fittingId) {
            $this->database->executeStatement('DELETE FROM run_tally WHERE fitting_id = ?', [$fittingId]);
            foreach ([self::runs('WHERE s.fitting_id = ?'), self::uses('AND j.fitting_id = ?')] as $counted) {
                $this->database->executeStatement('INSERT INTO run_tally ('.self::COLUMNS.') '.$counted, [$fittingId]);
            }
            $this->drawTogether(\is_string($fittingId) ? $fittingId : '');
        }
        foreach ($this->database->fetchFirstColumn('SELECT id FROM setup WHERE agent_id = ?', [$agentId]) as $setupId) {
            $this->ofSetup(\is_string($setupId) ? $setupId : '');
        }
    }

    /** @param string $source test or use */
    private function seat(string $source, string $seat, string $fittingId): void
    {
        $this->database->executeStatement('DELETE FROM run_tally WHERE seat = ?', [$seat]);
        $this->database->executeStatement(
            'INSERT INTO run_tally ('.self::COLUMNS.') '.('use' === $source
                ? self::uses('AND j.fitting_id = ? AND '.self::SEAT_OF_USE.' = ?')
                : self::runs('WHERE s.fitting_id = ? AND '.self::SEAT.' = ?')),
            [$fittingId, $seat],
        );
        $this->drawTogether($fittingId);
    }

    private function ofSetup(string $setupId): void
    {
        $this->database->executeStatement('DELETE FROM setup_tally WHERE setup_id = ?', [$setupId]);
        $this->database->executeStatement(
            'INSERT INTO setup_tally '.self::readings('WHERE s.id = ?', 'AND d.setup_id = ?'),
            [LiftCalibration::LIFT_FROM_MM, $setupId, $setupId],
        );
    }

    /** What a side has seen since its sheet was laid; the months of its prints for use have to be counted before. */
    public function recountSide(string $sideId): void
    {
        $this->database->executeStatement('DELETE FROM side_tally WHERE side_id = ?', [$sideId]);
        $this->database->executeStatement('INSERT INTO side_tally '.self::sides(':side'), ['side' => $sideId]);
    }

    /** Where a side may have another sheet: what was printed for use on the one before says nothing of it. */
    public function leaveSheets(string $sideId): void
    {
        $this->database->executeStatement(
            "DELETE t FROM fitting f JOIN run_tally t ON t.fitting_id = f.id JOIN plate_side ps ON ps.id = f.side_id
             WHERE f.side_id = ? AND t.source = 'use' AND f.id <> ps.fitting_id",
            [$sideId],
        );
        $this->database->executeStatement(
            'DELETE t FROM fitting f JOIN sheet_tally t ON t.fitting_id = f.id JOIN plate_side ps ON ps.id = f.side_id
             WHERE f.side_id = ? AND f.id <> ps.fitting_id',
            [$sideId],
        );
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
            ['INSERT INTO run_tally ('.self::COLUMNS.') '.self::uses(''), []],
            ['DELETE FROM sheet_tally', []],
            ['INSERT INTO sheet_tally '.self::sheets(''), []],
            ['DELETE FROM job_tally', []],
            ['INSERT INTO job_tally ('.self::MONTHLY.') '.self::months(''), []],
            ['DELETE FROM setup_tally', []],
            ['INSERT INTO setup_tally '.self::readings('', ''), [LiftCalibration::LIFT_FROM_MM]],
            ['DELETE FROM side_tally', []],
            ['INSERT INTO side_tally '.self::sides(null), []],
        ];
    }

    /**
     * @return int groups that are not as all runs counted again have them; 0: the tallies are right
     *
     * @phpstan-impure
     */
    public function wrong(): int
    {
        $wrong = 0;
        $stored = 'SELECT '.self::COLUMNS.' FROM run_tally';
        foreach ([
            ["$stored WHERE source = 'test'", self::runs(''), []],
            ["$stored WHERE source = 'use'", self::uses(''), []],
            ['SELECT * FROM sheet_tally', self::sheets(''), []],
            ['SELECT * FROM setup_tally', self::readings('', ''), [LiftCalibration::LIFT_FROM_MM]],
            ['SELECT '.self::MONTHLY.' FROM job_tally', self::months(''), []],
            ['SELECT * FROM side_tally', self::sides(null), []],
        ] as [$kept, $counted, $with]) {
            foreach ([["($kept) EXCEPT ALL ($counted)", $with], ["($counted) EXCEPT ALL ($kept)", $with]] as [$sql, $parameters]) {
                $found = $this->database->fetchOne("SELECT COUNT(*) FROM ($sql) differing", $parameters);
                $wrong += is_numeric($found) ? (int) $found : 0;
            }
        }

        return $wrong;
    }

    /**
     * What each side has seen since its sheet was laid, and since it was washed and coated; void runs too, and prints for use:
     * they wear it as well, and there are so many of them that they are taken from the months that are counted already. One by one
     * only what came after the last care is read. What stood where on the coat is listed as {@see PlacedPrints::listed} takes it: how
     * much that is at any spot is no matter of the database.
     *
     * @param string|null $one parameter that names the side; null: all sides
     */
    private static function sides(?string $one): string
    {
        // Where the side is named, and not that of a row, the index of prints is read from its last care on.
        $last = static fn (string $kind, string $row): string => '(SELECT MAX(created_at) FROM care_event
            WHERE side_id = '.($one ?? "$row.id")." AND kind = '$kind')";
        $cared = "SELECT ps.id, ps.fitting_id, {$last('wash', 'ps')} AS washed_at, {$last('coat', 'ps')} AS coated_at,
                (SELECT MAX(created_at) FROM care_event WHERE side_id = ps.id AND kind = 'scuff' AND created_at >= f.created_at) AS scuffed_at
            FROM plate_side ps JOIN fitting f ON f.id = ps.fitting_id".(null === $one ? '' : " WHERE ps.id = $one");
        $never = "'9999-12-31'";
        $after = "LEAST(COALESCE({$last('wash', 'c')}, $never), COALESCE({$last('coat', 'c')}, $never))";
        // A coat that was touched up where a print stands is new there; of several parts only where all of it was.
        $touched = static fn (string $parts, string $spot): string => "(SELECT MAX(t.created_at) FROM care_event t
            WHERE t.side_id = c.id AND t.kind = 'touch_up' AND (t.spot IS NULL OR t.spot = IF($parts <= 1, IFNULL($spot, ".PlateSpot::Middle->value.'), 0)))';
        // From the sides on, each with its care: whatever else the optimizer takes for cheap asks for the care again with every print.
        $all = "SELECT c.id, NULL AS at, COUNT(*) AS prints, SUM(r.damage = 1) AS damages, MAX(IF(r.held = 1, r.finished_at, NULL)) AS last_held,
                MAX(r.finished_at) AS last_print, NULL AS spot, NULL AS parts, NULL AS touched_at
            FROM ($cared) c STRAIGHT_JOIN run r ON r.fitting_id = c.fitting_id AND r.finished_at IS NOT NULL GROUP BY c.id
            UNION ALL SELECT c.id, NULL, SUM(j.prints), SUM(j.damaged), MAX(IF(".self::held('j').", j.last_at, NULL)), MAX(j.last_at), NULL, NULL, NULL
            FROM ($cared) c STRAIGHT_JOIN job_tally j ON j.fitting_id = c.fitting_id GROUP BY c.id";
        // With how many others a print stood is asked of those on the coat alone: nothing else is said of where the others stood.
        $since = "SELECT c.id, r.finished_at, NULL, NULL, NULL, NULL, r.spot,
                IF(r.finished_at > c.coated_at, (SELECT COUNT(*) FROM part WHERE part.run_id = r.id), NULL),
                {$touched('(SELECT COUNT(*) FROM part WHERE part.run_id = r.id)', 'r.spot')}
            FROM ($cared) c STRAIGHT_JOIN run r ON r.fitting_id = c.fitting_id AND r.finished_at > $after
            UNION ALL SELECT c.id, j.answered_at, NULL, NULL, NULL, NULL, j.spot, IF(j.answered_at > c.coated_at, j.parts, NULL),
                {$touched('j.parts', 'j.spot')}
            FROM ($cared) c STRAIGHT_JOIN job j ON j.fitting_id = c.fitting_id AND j.status = 'answered' AND j.answered_at > $after";

        return "SELECT id, fitting_id, SUM(prints), SUM(since_wash), IF(coated_at IS NULL, NULL, COALESCE(GROUP_CONCAT(
                    IF(on_coat > 0, CONCAT_WS(',', GREATEST(parts, 1), IFNULL(spot, ''), on_coat), NULL) ORDER BY parts, spot SEPARATOR ';'), '')),
                SUM(damages), MAX(last_held), MAX(last_print), washed_at, coated_at,
                (SELECT k.agent_id FROM care_event k WHERE k.side_id = each_spot.id AND k.kind = 'coat' AND k.created_at = coated_at
                    ORDER BY k.id DESC LIMIT 1),
                scuffed_at
            FROM (
                SELECT h.*, p.parts, IF(p.parts <= 1, p.spot, NULL) AS spot, COALESCE(SUM(p.prints), 0) AS prints,
                    COALESCE(SUM(IF(washed_at IS NULL, p.prints, p.at > washed_at)), 0) AS since_wash,
                    COALESCE(SUM(p.at > GREATEST(coated_at, COALESCE(p.touched_at, coated_at))), 0) AS on_coat, COALESCE(SUM(p.damages), 0) AS damages,
                    MAX(p.last_held) AS last_held, MAX(p.last_print) AS last_print
                FROM ($cared) h LEFT JOIN ($all UNION ALL $since) p ON p.id = h.id
                GROUP BY h.id, h.fitting_id, washed_at, coated_at, scuffed_at, p.parts, IF(p.parts <= 1, p.spot, NULL)
            ) each_spot
            GROUP BY id, fitting_id, washed_at, coated_at, scuffed_at";
    }

    /** How they ended stands as {@see RunCount::listed} takes it: what that means is no matter of the database. */
    private static function runs(string $where): string
    {
        return self::counted('('.self::made($where).')');
    }

    /**
     * Prints for use that somebody answered, on the sheets that lie there now and since the last change to their printer: there are
     * so many of them that older ones need not be shown.
     *
     * @param string $and of which; "" for all
     */
    private static function uses(string $and): string
    {
        return self::counted('(SELECT '.self::SEAT_OF_USE.' AS seat, j.material_id, f.surface_id, a.kind_id AS agent_kind_id, j.side_id,
                j.fitting_id, j.printer_id, j.bed_first_c, NULL AS gap_mm, \'\' AS feeler, j.exposure_s, j.also_materials <> \'\' AS own_brim, e.at AS epoch,
                \'use\' AS source, 0 AS void, '.self::held('j').' AS held, j.effort, j.damaged AS damage, j.minutes AS print_minutes,
                j.answered_at AS finished_at, j.parts AS on_plate
            FROM job j JOIN fitting f ON f.id = j.fitting_id JOIN plate_side ps ON ps.id = j.side_id AND ps.fitting_id = j.fitting_id
                LEFT JOIN agent_stock a ON a.id = j.agent_id LEFT JOIN '.self::LAST_CHANGE." e ON e.printer_id = j.printer_id
            WHERE j.status = 'answered' AND j.answered_at > COALESCE(e.at, '1000-01-01') $and)");
    }

    /**
     * The groups of each sheet that lies there now, by material, as {@see ASKED} has them; and how its tests ended, by agent, each as
     * {@see RunCount::listed} takes it. Void runs say nothing.
     *
     * @param string $and of which, said twice; "" for all
     */
    private static function sheets(string $and): string
    {
        return "SELECT m.material_id, m.fitting_id, m.made, COALESCE(e.ended, '[]') COLLATE utf8mb4_bin
            FROM (
                SELECT t.material_id, t.fitting_id, CONCAT('[', GROUP_CONCAT(asked ORDER BY asked SEPARATOR ','), ']') AS made
                FROM (SELECT material_id, fitting_id, side_id, ".self::ASKED." AS asked FROM run_tally WHERE void = 0 $and) t
                    JOIN plate_side ps ON ps.id = t.side_id AND ps.fitting_id = t.fitting_id
                GROUP BY t.material_id, t.fitting_id
            ) m LEFT JOIN (
                SELECT material_id, fitting_id, CONCAT('[', GROUP_CONCAT(JSON_ARRAY(agent, ends) ORDER BY agent SEPARATOR ','), ']') AS ended
                FROM (
                    SELECT material_id, fitting_id, agent, GROUP_CONCAT(CONCAT_WS(',', end, times) ORDER BY end SEPARATOR ';') AS ends
                    FROM (
                        SELECT material_id, fitting_id, IFNULL(agent_kind_id, '') AS agent, SUBSTRING_INDEX(one, ',', 3) AS end,
                            CAST(SUM(SUBSTRING_INDEX(one, ',', -1)) AS UNSIGNED) AS times
                        FROM run_tally, JSON_TABLE(CONCAT('[\"', REPLACE(outcomes, ';', '\",\"'), '\"]'), '$[*]' COLUMNS (one VARCHAR(60) PATH '$')) each_one
                        WHERE void = 0 AND source = 'test' AND own_brim = 0 $and
                        GROUP BY material_id, fitting_id, agent, end
                    ) each_end GROUP BY material_id, fitting_id, agent
                ) each_agent GROUP BY material_id, fitting_id
            ) e ON e.material_id = m.material_id AND e.fitting_id = m.fitting_id";
    }

    /** Which ends of a print are one that held, the core says. */
    private static function held(string $job): string
    {
        $held = array_filter(Outcome::cases(), static fn (Outcome $outcome): bool => $outcome->held());

        return "$job.outcome IN ('".implode("', '", array_map(static fn (Outcome $outcome): string => $outcome->value, $held))."')";
    }

    /**
     * Prints for use that somebody answered, month by month.
     *
     * @param string $and of which; "" for all
     */
    private static function months(string $and): string
    {
        return "SELECT DATE_FORMAT(j.answered_at, '%Y-%m') AS month, j.fitting_id, j.side_id, j.printer_id, j.material_id, j.agent_id, j.outcome, j.came_true,
                COUNT(*), COALESCE(SUM(j.minutes), 0), SUM(j.damaged), MAX(j.answered_at),
                COALESCE(SUM(j.energy_wh), 0), COUNT(j.energy_wh), j.bed_first_c, j.exposure_s
            FROM job j WHERE j.status = 'answered' $and
            GROUP BY month, j.fitting_id, j.side_id, j.printer_id, j.material_id, j.agent_id, j.outcome, j.came_true, j.bed_first_c, j.exposure_s";
    }

    /** @param string $made each finished run or print for use with what it was made under */
    private static function counted(string $made): string
    {
        return 'SELECT '.self::ALIKE.",
                GROUP_CONCAT(CONCAT_WS(',', IFNULL(held, ''), IFNULL(effort, ''), IFNULL(damage, ''), times)
                    ORDER BY IFNULL(held, -1), IFNULL(effort, -1), IFNULL(damage, -1) SEPARATOR ';'),
                SUM(times), MAX(most), MAX(longest), MAX(IF(held = 1, last_at, NULL)), MAX(last_at)
            FROM (SELECT ".self::ALIKE.', held, effort, damage, COUNT(*) AS times, MAX(on_plate) AS most, MAX(print_minutes) AS longest,
                    MAX(finished_at) AS last_at
                FROM '.$made.' made GROUP BY '.self::ALIKE.', held, effort, damage
            ) ended GROUP BY '.self::ALIKE;
    }

    /** Each finished run with what it was made under. */
    private static function made(string $where): string
    {
        return 'SELECT '.self::SEAT.' AS seat, s.material_id, f.surface_id, a.kind_id AS agent_kind_id, s.side_id, s.fitting_id, c.printer_id,
                s.bed_first_c, s.gap_mm, c.feeler, s.exposure_s,
                s.brim <> JSON_VALUE(c.constants, \'$.brim\') OR c.also_materials <> \'\' AS own_brim, '.self::EPOCH." AS epoch,
                'test' AS source, r.status = 'void' AS void, r.held, r.effort, r.damage, r.print_minutes, r.finished_at,
                (SELECT COUNT(*) FROM part p WHERE p.run_id = r.id) AS on_plate
            ".self::SETUPS." JOIN run r ON r.setup_id = s.id AND r.finished_at IS NOT NULL $where";
    }

    /**
     * Hot pulls and lifts of a setup as they stand, and how many of its runs held, open and enclosed.
     *
     * @param string $ofSetup and $ofRun: of which; "" for all
     */
    private static function readings(string $ofSetup, string $ofRun): string
    {
        return 'SELECT s.id, r.has_enclosure, s.material_id, f.surface_id, a.kind_id, COALESCE(m.pulls, 0), COALESCE(m.pull_sum, 0),
                COALESCE(m.pull_squares, 0), COALESCE(m.lifts, 0), COALESCE(m.lifted, 0), COALESCE(m.lift_sum, 0), COUNT(r.held), COALESCE(SUM(r.held), 0)
            '.self::SETUPS." JOIN run r ON r.setup_id = s.id AND r.status = 'done'
            LEFT JOIN (
                SELECT d.setup_id, d.has_enclosure, SUM(v.measure = 'pull_hot') AS pulls, SUM(IF(v.measure = 'pull_hot', v.value, 0)) AS pull_sum,
                    SUM(IF(v.measure = 'pull_hot', v.value * v.value, 0)) AS pull_squares, SUM(v.measure = 'lift') AS lifts,
                    SUM(v.measure = 'lift' AND v.value >= ?) AS lifted, SUM(IF(v.measure = 'lift', v.value, 0)) AS lift_sum
                FROM run d JOIN part p ON p.run_id = d.id JOIN standing st ON st.part_id = p.id JOIN reading v ON v.id = st.reading_id
                WHERE d.status = 'done' AND v.measure IN ('pull_hot', 'lift') $ofRun GROUP BY d.setup_id, d.has_enclosure
            ) m ON m.setup_id = s.id AND m.has_enclosure = r.has_enclosure
            $ofSetup
            GROUP BY s.id, r.has_enclosure, s.material_id, f.surface_id, a.kind_id, m.pulls, m.pull_sum, m.pull_squares, m.lifts, m.lifted, m.lift_sum";
    }
}
