<?php

declare(strict_types=1);

namespace App\Choose;

use App\Evidence\EvidenceRepository;
use App\Evidence\PrinterChanges;
use App\Platform\Database\StoredId;
use App\Shelf\Number;
use Doctrine\DBAL\Connection;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnPiece;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Choose\Request\LastGap;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Evidence\Question;
use Sitzplatz\Test\TestPiece;
use Symfony\Component\Uid\Uuid;

/**
 * The shop's own runs, from the tallies; void runs do not count, nor runs on a sheet that lies there no more: they say nothing
 * of the side as it is.
 */
final readonly class OwnRunsRepository
{
    private const TALLIES = 'FROM run_tally t JOIN plate_side ps ON ps.id = t.side_id AND ps.fitting_id = t.fitting_id';

    public function __construct(private Connection $database, private PrinterChanges $changes, private RecordKeeper $record)
    {
    }

    /** @param list<ProvenSeat> $proven */
    public function experience(string $materialId, array $proven = []): Experience
    {
        return new Experience($this->counted($materialId), $proven, $this->record->record());
    }

    /**
     * What own tests say of each pair, whatever the setting; a print for use neither confirms nor refutes a grade.
     *
     * @param string|null $materialId null: of all
     *
     * @return array<string, array<string, array<string, array{held: int, runs: int, clean: int, released: int}>>> by material, surface and agent ("" for bare)
     */
    public function sums(?string $materialId): array
    {
        $sums = [];
        foreach ($this->database->iterateAssociative(
            'SELECT t.material_id, t.surface_id, t.agent_kind_id, t.outcomes '.self::TALLIES.' WHERE t.void = 0 AND t.source = \'test\''
                .(null === $materialId ? '' : ' AND t.material_id = ?'),
            null === $materialId ? [] : [$materialId],
        ) as $row) {
            [$material, $surface, $agent] = [(string) $row['material_id'], (string) $row['surface_id'], (string) $row['agent_kind_id']];
            [$runs, $held, $released, $clean] = self::counts((string) $row['outcomes']);
            $sum = $sums[$material][$surface][$agent] ?? ['runs' => 0, 'held' => 0, 'released' => 0, 'clean' => 0];
            $sums[$material][$surface][$agent] = [
                'runs' => $sum['runs'] + $runs,
                'held' => $sum['held'] + $held,
                'released' => $sum['released'] + $released,
                'clean' => $sum['clean'] + $clean,
            ];
        }

        return $sums;
    }

    /** @return list<OwnRuns> */
    private function counted(string $materialId): array
    {
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        $utc = new \DateTimeZone('UTC');
        $runs = $questions = $each = [];
        foreach ($this->database->iterateAssociative(
            'SELECT t.side_id, t.surface_id, t.agent_kind_id, t.lot_id, t.bed_first_c, t.outcomes, t.minutes, t.parts, t.bed_other_c, t.printer_id,
                t.has_enclosure, t.chamber_c, t.nozzle_first_c, t.gap_mm, t.room_c, t.exposure_s, t.own_brim, ps.plate_id, t.last_at, t.epoch, t.source
             '.self::TALLIES.' WHERE t.void = 0 AND t.material_id = ?',
            [$materialId],
        ) as $row) {
            $printer = StoredId::text($row['printer_id']);
            // Between two changes all runs are in the same question.
            $each[$printer] ??= EvidenceSince::dependsOnThePlate($this->changes->of($printer));
            $between = $printer.'/'.($each[$printer] ? $row['plate_id'] : '').'/'.$row['epoch'];
            if (!\array_key_exists($between, $questions)) {
                $questions[$between] = EvidenceSince::question(
                    $this->changes->of($printer),
                    StoredId::text($row['plate_id']),
                    EvidenceRepository::seconds(new \DateTimeImmutable((string) $row['last_at'], $utc)),
                );
            }
            if (Question::Faulty === $questions[$between]) {
                continue;
            }
            [$all, $held, $released, $clean] = self::counts((string) $row['outcomes']);
            $runs[] = new OwnRuns(
                StoredId::text($row['side_id']),
                (string) $row['surface_id'],
                null === $row['agent_kind_id'] ? null : (string) $row['agent_kind_id'],
                StoredId::textOrNull($row['lot_id']) ?? '',
                $number($row['bed_first_c']),
                $all,
                $held,
                $released,
                $clean,
                $number($row['minutes']),
                (int) $row['parts'],
                $number($row['bed_other_c']),
                $printer,
                (bool) $row['has_enclosure'],
                $number($row['chamber_c']),
                $number($row['nozzle_first_c']),
                $number($row['gap_mm']),
                $number($row['room_c']),
                Question::Changed === $questions[$between],
                $number($row['exposure_s']),
                (bool) $row['own_brim'],
                'use' === $row['source'],
            );
        }

        return $runs;
    }

    /** @return array{int, int, int, int} runs and held, released and clean */
    private static function counts(string $outcomes): array
    {
        static $known = [];

        return $known[$outcomes] ??= OwnRuns::tally(RunCount::listed($outcomes));
    }

    /**
     * Of the last run of a material that held on a side.
     *
     * @param string|null $printerId null: on any printer
     *
     * @return array<string, array<string, LastGap>> by printer and side
     */
    public function lastGaps(string $materialId, ?string $printerId): array
    {
        $gaps = [];
        foreach ($this->database->iterateAssociative(
            'SELECT printer_id, side_id, gap_mm, feeler, MAX(held_at) AS at FROM run_tally
             WHERE material_id = ?'.(null === $printerId ? '' : ' AND printer_id = ?').' AND gap_mm IS NOT NULL AND held_at IS NOT NULL AND void = 0
             GROUP BY printer_id, side_id, gap_mm, feeler ORDER BY at',
            [$materialId, ...(null === $printerId ? [] : [Uuid::fromString($printerId)->toBinary()])],
        ) as $row) {
            $gaps[StoredId::text($row['printer_id'])][StoredId::text($row['side_id'])] = new LastGap(
                (float) $row['gap_mm'],
                (string) $row['feeler'],
                substr((string) $row['at'], 0, 10),
            );
        }

        return $gaps;
    }

    /**
     * Setups of a material that were pulled hot on the same test piece.
     *
     * @param array<string, mixed> $piece along, across and height of the pull, mm
     *
     * @return list<array{setup: string, runs: int, held: int, pulls: int, mean: float, lifts: int, lifted: int}>
     */
    public function pulledHot(string $materialId, array $piece): array
    {
        $setups = [];
        foreach ($this->database->iterateAssociative(
            "SELECT t.setup_id, SUM(t.runs) AS runs, SUM(t.held) AS held, SUM(t.pulls) AS pulls, SUM(t.pull_sum) AS pull_sum,
                    SUM(t.lifts) AS lifts, SUM(t.lifted) AS lifted
             FROM setup_tally t JOIN setup s ON s.id = t.setup_id JOIN comparison c ON c.id = s.comparison_id
             WHERE t.material_id = ? AND t.pulls > 1 AND JSON_VALUE(c.constants, '$.piece.alongPullMm') + 0 = ? + 0
                AND JSON_VALUE(c.constants, '$.piece.acrossPullMm') + 0 = ? + 0 AND JSON_VALUE(c.constants, '$.piece.pullHeightMm') + 0 = ? + 0
             GROUP BY t.setup_id",
            [$materialId, (float) $piece['alongPullMm'], (float) $piece['acrossPullMm'], (float) $piece['pullHeightMm']],
        ) as $row) {
            $pulls = (int) $row['pulls'];
            $setups[] = [
                'setup' => StoredId::text($row['setup_id']),
                'runs' => (int) $row['runs'],
                'held' => (int) $row['held'],
                'pulls' => $pulls,
                'mean' => $row['pull_sum'] / $pulls,
                'lifts' => (int) $row['lifts'],
                'lifted' => (int) $row['lifted'],
            ];
        }

        return $setups;
    }

    /** Hot pulls, lifts and held runs of a material on a kind of surface with a kind of agent, by comparison and bed temperature. */
    public function strength(string $materialId, string $surfaceId, ?string $agentId): OwnStrength
    {
        $pieces = [];
        foreach ($this->database->iterateAssociative(
            "SELECT c.room_c, s.bed_other_c, t.has_enclosure, SUM(t.runs) AS runs, SUM(t.held) AS held, SUM(t.pulls) AS pulls,
                    SUM(t.pull_sum) AS pull_sum, SUM(t.pull_squares) AS squares, SUM(t.lifts) AS lifts, SUM(t.lifted) AS lifted, SUM(t.lift_sum) AS lift_sum,
                    JSON_VALUE(c.constants, '$.piece.name') AS name, JSON_VALUE(c.constants, '$.piece.alongPullMm') AS along_mm,
                    JSON_VALUE(c.constants, '$.piece.acrossPullMm') AS across_mm, JSON_VALUE(c.constants, '$.piece.pullHeightMm') AS height_mm,
                    JSON_VALUE(c.constants, '$.piece.contactAreaMm2') AS area_mm2, JSON_VALUE(c.constants, '$.piece.sectionMm3') AS section_mm3
             FROM setup_tally t JOIN setup s ON s.id = t.setup_id JOIN comparison c ON c.id = s.comparison_id
             WHERE t.material_id = ? AND t.surface_id = ? AND t.agent_kind_id <=> ? GROUP BY c.id, s.bed_other_c, t.has_enclosure",
            [$materialId, $surfaceId, $agentId],
        ) as $row) {
            $pulls = (int) $row['pulls'];
            $mean = $pulls > 0 ? $row['pull_sum'] / $pulls : 0.0;
            $pieces[] = new OwnPiece(
                new TestPiece(
                    (string) $row['name'],
                    (float) $row['along_mm'],
                    (float) $row['across_mm'],
                    (float) $row['height_mm'],
                    Number::orNull($row['area_mm2']),
                    Number::orNull($row['section_mm3']),
                ),
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
