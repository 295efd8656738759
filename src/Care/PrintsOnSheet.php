<?php

declare(strict_types=1);

namespace App\Care;

use App\Platform\Database\StoredId;
use App\Platform\Database\UtcType;
use App\Shelf\PlateSide;
use Doctrine\DBAL\Connection;
use Sitzplatz\Care\PlacedPrints;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;

/** Runs and prints for use on the sheet that lies on a side: where they stood, what was marked, how the last ones came out. */
final readonly class PrintsOnSheet
{
    /** As many as a picture can show. */
    private const LAST = 60;

    public function __construct(private Connection $database)
    {
    }

    /** @return list<PlacedPrints> */
    public function places(PlateSide $side, ?string $coatedAt): array
    {
        $coated = self::coated($coatedAt);
        $sheet = $side->current()->id->toBinary();
        $found = [];
        foreach ($this->database->iterateAssociative(
            "SELECT parts, spot, COUNT(*) AS times, SUM(at > GREATEST(?, COALESCE(touched_at, '1000-01-01'))) AS on_coat FROM (
                SELECT made.*, (SELECT MAX(t.created_at) FROM care_event t
                    WHERE t.side_id = ? AND t.kind = 'touch_up' AND (t.spot IS NULL OR t.spot = IF(made.parts <= 1, IFNULL(made.spot, ?), 0))) AS touched_at
                FROM (
                    SELECT (SELECT COUNT(*) FROM part WHERE part.run_id = r.id) AS parts, r.spot, r.finished_at AS at
                    FROM run r WHERE r.fitting_id = ? AND r.finished_at IS NOT NULL
                    UNION ALL SELECT j.parts, j.spot, j.answered_at FROM job j WHERE j.fitting_id = ? AND j.status = 'answered'
                ) made
            ) placed GROUP BY parts, spot",
            [$coated, $side->id->toBinary(), PlateSpot::Middle->value, $sheet, $sheet],
        ) as $row) {
            $found[] = PlacedPrints::of(
                max(1, (int) $row['parts']),
                null === $row['spot'] ? null : PlateSpot::from((int) $row['spot']),
                (int) $row['times'],
                (int) $row['on_coat'],
                $side->plate->widthMm,
                $side->plate->depthMm,
            );
        }

        return $found;
    }

    /** As the database has it; after all there is where nothing is coated. */
    private static function coated(?string $at): string
    {
        return null === $at ? '9999-12-31' : UtcType::text(new \DateTimeImmutable($at));
    }

    /** @return list<array{kind: MarkKind, x: float, y: float, onCoat: bool}> */
    public function marks(PlateSide $side, ?string $coatedAt): array
    {
        $coated = self::coated($coatedAt);
        $touched = $this->touchUps($side);
        $marks = [];
        foreach ($this->database->iterateAssociative(
            'SELECT m.kind COLLATE utf8mb4_general_ci AS kind, m.x, m.y, m.created_at
             FROM plate_mark m JOIN run r ON r.id = m.run_id
             WHERE r.fitting_id = ? AND m.withdrawn_at IS NULL
             UNION ALL SELECT m.kind COLLATE utf8mb4_general_ci, m.x, m.y, m.created_at
             FROM job j JOIN job_mark m ON m.job_id = j.id WHERE j.fitting_id = ?',
            [$sheet = $side->current()->id->toBinary(), $sheet],
        ) as $row) {
            $marks[] = [
                'kind' => MarkKind::from((string) $row['kind']),
                'x' => (float) $row['x'],
                'y' => (float) $row['y'],
                'onCoat' => $row['created_at'] > max([$coated, ...self::renewedAt($touched, (float) $row['x'], (float) $row['y'])]),
            ];
        }

        return $marks;
    }

    /** @return list<array{at: string, spot: PlateSpot|null}> when its coat was touched up, and where */
    private function touchUps(PlateSide $side): array
    {
        return array_map(static fn (array $row): array => [
            'at' => (string) $row['created_at'],
            'spot' => null === $row['spot'] ? null : PlateSpot::from((int) $row['spot']),
        ], $this->database->fetchAllAssociative("SELECT created_at, spot FROM care_event WHERE side_id = ? AND kind = 'touch_up'", [$side->id->toBinary()]));
    }

    /**
     * @param list<array{at: string, spot: PlateSpot|null}> $touched
     *
     * @return list<string> when the coat was renewed at a place
     */
    private static function renewedAt(array $touched, float $x, float $y): array
    {
        $there = array_filter($touched, static fn (array $each): bool => null === $each['spot'] || PlateSpot::nearest($x, $y) === $each['spot']);

        return array_values(array_column($there, 'at'));
    }

    /** @return list<array{at: string, held: bool|null, forUse: bool}> the last ones, the oldest first */
    public function last(PlateSide $side): array
    {
        $sheet = $side->current()->id->toBinary();
        $rows = $this->database->fetchAllAssociative(
            '(SELECT r.finished_at AS at, r.held, NULL AS outcome FROM run r WHERE r.fitting_id = ? AND r.finished_at IS NOT NULL
                ORDER BY r.finished_at DESC LIMIT '.self::LAST.")
             UNION ALL (SELECT j.answered_at, NULL, j.outcome FROM job j WHERE j.fitting_id = ? AND j.status = 'answered'
                ORDER BY j.answered_at DESC LIMIT ".self::LAST.') ORDER BY at DESC LIMIT '.self::LAST,
            [$sheet, $sheet],
        );

        return array_map(static fn (array $row): array => [
            'at' => (new \DateTimeImmutable((string) $row['at'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
            'held' => null !== $row['outcome'] ? Outcome::from((string) $row['outcome'])->held() : (null === $row['held'] ? null : (bool) $row['held']),
            'forUse' => null !== $row['outcome'],
        ], array_reverse($rows));
    }

    /** @return list<int> prints that sheets of a kind had seen when another was laid in their place */
    public function replaced(string $surfaceId): array
    {
        $prints = [];
        foreach ($this->database->fetchFirstColumn(
            'SELECT (SELECT COUNT(*) FROM run r WHERE r.fitting_id = f.id AND r.finished_at IS NOT NULL)
                    + COALESCE((SELECT SUM(t.prints) FROM job_tally t WHERE t.fitting_id = f.id), 0)
             FROM fitting f JOIN plate_side s ON s.id = f.side_id WHERE f.surface_id = ? AND s.fitting_id <> f.id',
            [$surfaceId],
        ) as $count) {
            $prints[] = is_numeric($count) ? (int) $count : 0;
        }

        return $prints;
    }

    /** @return list<array{at: string, kind: string, agent: string|null, id: string}> what was done to it, the oldest first */
    public function done(PlateSide $side): array
    {
        return array_map(static fn (array $row): array => [
            'id' => StoredId::text($row['id']),
            'at' => (new \DateTimeImmutable((string) $row['created_at'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
            'kind' => (string) $row['kind'],
            'agent' => null === $row['name'] ? null : (string) $row['name'],
        ], array_reverse($this->database->fetchAllAssociative(
            'SELECT c.id, c.created_at, c.kind, a.name FROM care_event c LEFT JOIN agent_stock a ON a.id = c.agent_id
             WHERE c.side_id = ? AND c.created_at >= ? ORDER BY c.created_at DESC, c.id DESC LIMIT '.self::LAST,
            [$side->id->toBinary(), UtcType::text($side->current()->createdAt)],
        )));
    }

    public function wipes(PlateSide $side): int
    {
        $count = $this->database->fetchOne(
            "SELECT COUNT(*) FROM care_event WHERE side_id = ? AND kind = 'wipe' AND created_at >= ?",
            [$side->id->toBinary(), UtcType::text($side->current()->createdAt)],
        );

        return is_numeric($count) ? (int) $count : 0;
    }
}
