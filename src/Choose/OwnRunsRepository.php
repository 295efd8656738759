<?php

declare(strict_types=1);

namespace App\Choose;

use App\Evidence\EvidenceRepository;
use App\Evidence\LearnedShop;
use App\Evidence\PrinterChanges;
use App\Platform\Database\StoredId;
use App\Shelf\Number;
use Doctrine\DBAL\Connection;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\LastGap;
use Sitzplatz\Choose\Expectation\OwnPiece;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Expectation\RunConditions;
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
    public function __construct(private Connection $database, private PrinterChanges $changes, private LearnedShop $learned)
    {
    }

    /**
     * @param list<ProvenSeat> $proven
     * @param list<string>     $also   materials that are printed along
     */
    public function experience(string $materialId, array $proven = [], array $also = []): Experience
    {
        $others = [];
        foreach ($also as $id) {
            $others[$id] = $this->experience($id, $proven);
        }

        return new Experience($this->counted($materialId), $proven, $this->learned->known($materialId), $this->changes->epochs(), $others);
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
        // Asked apart: joined, it would be looked up for each of many materials on a sheet.
        $surfaces = $this->database->fetchAllKeyValue('SELECT f.id, f.surface_id FROM plate_side ps JOIN fitting f ON f.id = ps.fitting_id');
        foreach ($this->database->iterateNumeric(
            "SELECT material_id, fitting_id, ended FROM sheet_tally WHERE ended <> '[]'".(null === $materialId ? '' : ' AND material_id = ?'),
            null === $materialId ? [] : [$materialId],
        ) as [$material, $fitting, $ended]) {
            // Laid between the two questions.
            if (!isset($surfaces[$fitting])) {
                continue;
            }
            $surface = (string) $surfaces[$fitting];
            /** @var list<array{string, string}> $byAgent */
            $byAgent = json_decode((string) $ended, true, 3, \JSON_THROW_ON_ERROR);
            foreach ($byAgent as [$agent, $ends]) {
                [$runs, $held, $released, $clean] = OwnRuns::tallied($ends);
                $sum = $sums[(string) $material][$surface][$agent] ?? ['runs' => 0, 'held' => 0, 'released' => 0, 'clean' => 0];
                $sums[(string) $material][$surface][$agent] = [
                    'runs' => $sum['runs'] + $runs,
                    'held' => $sum['held'] + $held,
                    'released' => $sum['released'] + $released,
                    'clean' => $sum['clean'] + $clean,
                ];
            }
        }

        return $sums;
    }

    /** @return list<OwnRuns> */
    private function counted(string $materialId): array
    {
        $utc = new \DateTimeZone('UTC');
        $runs = $faulty = $alike = [];
        foreach ($this->database->iterateNumeric(
            'SELECT ps.id, ps.plate_id, f.surface_id, t.made FROM sheet_tally t JOIN plate_side ps ON ps.fitting_id = t.fitting_id
                JOIN fitting f ON f.id = t.fitting_id WHERE t.material_id = ?',
            [$materialId],
        ) as [$side, $plate, $surface, $made]) {
            [$sideId, $plateId, $surfaceId] = [StoredId::text($side), StoredId::text($plate), (string) $surface];
            /** @var list<array{string, string, string, ?float, int, ?string, string}> $groups */
            $groups = json_decode((string) $made, true, 4, \JSON_THROW_ON_ERROR);
            foreach ($groups as [$agent, $conditions, $outcomes, $minutes, $parts, $epoch, $lastAt]) {
                $under = $alike[$conditions] ??= self::under($conditions);
                // Between two changes all runs are in the same question.
                if ($faulty[$under->printerId.$epoch] ??= Question::Faulty === EvidenceSince::question(
                    $this->changes->of($under->printerId),
                    $plateId,
                    EvidenceRepository::seconds(new \DateTimeImmutable($lastAt, $utc)),
                )) {
                    continue;
                }
                [$all, $held, $released, $clean] = OwnRuns::tallied($outcomes);
                $runs[] = new OwnRuns($sideId, $surfaceId, '' === $agent ? null : $agent, $under, $all, $held, $released, $clean, $minutes, $parts);
            }
        }

        return $runs;
    }

    /** Of a list such as "018F…|use|55||1"; what is not known is empty. */
    private static function under(string $list): RunConditions
    {
        [$printer, $source, $bed, $exposure, $ownBrim] = explode('|', $list);
        $figure = static fn (string $text): ?float => '' === $text ? null : (float) $text;

        return new RunConditions($figure($bed), StoredId::text((string) hex2bin($printer)), $figure($exposure), '1' === $ownBrim, 'use' === $source);
    }

    /** Of the last run of a material that held on a side of a printer; null: none did. */
    public function lastGap(string $materialId, string $printerId, string $sideId): ?LastGap
    {
        $row = $this->database->fetchAssociative(
            'SELECT gap_mm, feeler, held_at FROM run_tally
             WHERE material_id = ? AND void = 0 AND printer_id = ? AND side_id = ? AND gap_mm IS NOT NULL AND held_at IS NOT NULL
             ORDER BY held_at DESC LIMIT 1',
            [$materialId, Uuid::fromString($printerId)->toBinary(), Uuid::fromString($sideId)->toBinary()],
        );

        return false === $row ? null : new LastGap((float) $row['gap_mm'], (string) $row['feeler'], substr((string) $row['held_at'], 0, 10));
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
            "SELECT g.*, c.room_c, JSON_EXTRACT(c.constants, '$.piece') AS piece
             FROM (
                SELECT s.comparison_id, s.bed_other_c, t.has_enclosure, SUM(t.runs) AS runs, SUM(t.held) AS held, SUM(t.pulls) AS pulls,
                    SUM(t.pull_sum) AS pull_sum, SUM(t.pull_squares) AS squares, SUM(t.lifts) AS lifts, SUM(t.lifted) AS lifted, SUM(t.lift_sum) AS lift_sum
                FROM setup_tally t JOIN setup s ON s.id = t.setup_id
                WHERE t.material_id = ? AND t.surface_id = ? AND t.agent_kind_id <=> ? GROUP BY s.comparison_id, s.bed_other_c, t.has_enclosure
             ) g JOIN comparison c ON c.id = g.comparison_id",
            [$materialId, $surfaceId, $agentId],
        ) as $row) {
            /** @var array<string, mixed> $piece */
            $piece = json_decode((string) $row['piece'], true, 8, \JSON_THROW_ON_ERROR);
            $pulls = (int) $row['pulls'];
            $mean = $pulls > 0 ? $row['pull_sum'] / $pulls : 0.0;
            $pieces[] = new OwnPiece(
                new TestPiece(
                    (string) $piece['name'],
                    (float) $piece['alongPullMm'],
                    (float) $piece['acrossPullMm'],
                    (float) $piece['pullHeightMm'],
                    Number::orNull($piece['contactAreaMm2'] ?? null),
                    Number::orNull($piece['sectionMm3'] ?? null),
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
