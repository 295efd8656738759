<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Catalogue\ShopCatalogue;
use App\Platform\Database\StoredId;
use Doctrine\DBAL\Connection;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Evidence\Question;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** Finished runs and answered prints of the shop, as what is learned from them is told: under which conditions, and how they came out. */
final class AnsweredPrints
{
    /** Of what was printed before, little is there any more. */
    public const MOST = 20_000;

    /** @var array<string, Treatment|null> by pair */
    private array $treatments = [];

    public function __construct(private readonly Connection $database, private readonly ShopCatalogue $shop, private readonly PrinterChanges $changes)
    {
    }

    /** When the last one was answered; null: none was. */
    public function lastAt(): ?string
    {
        $last = array_filter([
            $this->database->fetchOne("SELECT MAX(answered_at) FROM job WHERE status = 'answered'"),
            $this->database->fetchOne('SELECT MAX(last_at) FROM run_tally'),
        ], \is_string(...));

        return [] === $last ? null : max($last);
    }

    /** How many prints for use were answered. */
    public function count(): int
    {
        $count = $this->database->fetchOne("SELECT COUNT(*) FROM job WHERE status = 'answered'");

        return is_numeric($count) ? (int) $count : 0;
    }

    /**
     * The newest, or those before them.
     *
     * @return array<value-of<Success>, list<Answered>>
     */
    public function all(bool $older = false): array
    {
        $this->treatments = [];
        $catalogue = $this->shop->get();
        $answers = [Success::Held->value => [], Success::Released->value => []];
        $after = $older ? self::MOST : 0;
        foreach ([$this->prints($after), $this->runs($this->oldestOf($after + self::MOST), $older ? $this->oldestOf(self::MOST) : null)] as $rows) {
            foreach ($rows as $row) {
                $row['at'] = EvidenceRepository::seconds(new \DateTimeImmutable((string) $row['at'], new \DateTimeZone('UTC')));
                if ($this->faulty($row)) {
                    continue;
                }
                $hold = RunOutcomes::held(isset($row['outcome']) ? Outcome::from((string) $row['outcome'])->held() : self::bool($row['held'] ?? null));
                $release = RunOutcome::Passed === $hold ? $this->release($row) : RunOutcome::Unsaid;
                foreach ([[Success::Held, $hold], [Success::Released, $release]] as [$of, $outcome]) {
                    if (RunOutcome::Passed === $outcome || RunOutcome::Failed === $outcome) {
                        $answers[$of->value][] = new Answered($this->situation($row, $of, $catalogue), RunOutcome::Passed === $outcome);
                    }
                }
            }
        }

        return $answers;
    }

    /** @return iterable<array<string, mixed>> */
    private function prints(int $after): iterable
    {
        return $this->database->iterateAssociative(
            "SELECT j.material_id, f.surface_id, a.kind_id AS agent_kind_id, j.side_id, ps.plate_id, j.fitting_id, j.lot_id, j.printer_id,
                    j.bed_first_c IS NULL AND j.exposure_s IS NULL AS unheated, j.outcome, j.effort, j.damaged,
                    j.planned_minutes AS planned, j.parts, j.measures,
                    j.answered_at AS at, 'use' AS purpose
             FROM (SELECT * FROM job WHERE status = 'answered' ORDER BY answered_at DESC LIMIT ".self::MOST." OFFSET $after) j
             JOIN fitting f ON f.id = j.fitting_id JOIN plate_side ps ON ps.id = j.side_id LEFT JOIN agent_stock a ON a.id = j.agent_id
             WHERE j.also_materials = ''",
        );
    }

    /** When the last of so many newest prints was answered; null: there are not as many. */
    private function oldestOf(int $newest): ?string
    {
        $at = $this->database->fetchOne("SELECT answered_at FROM job WHERE status = 'answered' ORDER BY answered_at DESC LIMIT 1 OFFSET ".($newest - 1));

        return \is_string($at) ? $at : null;
    }

    /**
     * Of the same time as the prints.
     *
     * @return iterable<array<string, mixed>> void ones say nothing, nor what had something around its foot that no job can be
     *                                        told to have, nor several materials at once
     */
    private function runs(?string $from, ?string $until): iterable
    {
        return $this->database->iterateAssociative(
            "SELECT s.material_id, f.surface_id, a.kind_id AS agent_kind_id, s.side_id, ps.plate_id, s.fitting_id, s.lot_id, c.printer_id,
                    s.bed_first_c IS NULL AND s.exposure_s IS NULL AS unheated, r.held, r.effort, r.damage AS damaged,
                    JSON_VALUE(c.durations, '$.printMinutes') AS planned,
                    (SELECT COUNT(*) FROM part p WHERE p.run_id = r.id) AS parts, s.measures, r.finished_at AS at, 'test' AS purpose
             FROM (SELECT * FROM run WHERE status = 'done' AND finished_at >= ? AND finished_at < ? ORDER BY finished_at DESC LIMIT ".self::MOST.") r
             JOIN setup s ON s.id = r.setup_id AND s.taken_hot = 0 JOIN comparison c ON c.id = s.comparison_id
             JOIN fitting f ON f.id = s.fitting_id JOIN plate_side ps ON ps.id = s.side_id LEFT JOIN agent_stock a ON a.id = s.agent_id
             WHERE s.brim = JSON_VALUE(c.constants, '$.brim') AND c.also_materials = ''",
            [$from ?? '1000-01-01', $until ?? '9999-12-31'],
        );
    }

    /** @param array<string, mixed> $row with its time in Unix seconds */
    private function situation(array $row, Success $of, Catalogue $catalogue): Situation
    {
        [$material, $surface] = [(string) $row['material_id'], (string) $row['surface_id']];
        $agent = null === $row['agent_kind_id'] ? null : (string) $row['agent_kind_id'];
        $key = "$material/$surface/$agent";
        if (!\array_key_exists($key, $this->treatments)) {
            $this->treatments[$key] = $catalogue->pairing($material, $surface)?->treatment($agent);
        }
        $treatment = $this->treatments[$key];
        $printer = StoredId::text($row['printer_id']);
        /** @var array<string, float|int> $said */
        $said = null === $row['measures'] ? [] : json_decode((string) $row['measures'], true, 3, \JSON_THROW_ON_ERROR);

        return Situation::ofMade(
            $of,
            match (true) {
                null === $treatment => null,
                Success::Released === $of => $treatment->release,
                default => $treatment->holdAt((bool) $row['unheated']),
            },
            array_map(floatval(...), $said),
            max(1, (int) $row['parts']),
            null === $row['planned'] ? null : (float) $row['planned'],
            Levels::ofJob(
                $material,
                $printer,
                $this->changes->epoch($printer, (float) $row['at']),
                null === $row['lot_id'] ? null : StoredId::text($row['lot_id']),
                (string) $row['purpose'],
            )
                + Levels::ofSurface($surface)
                + Levels::ofSide($material, StoredId::text($row['side_id']), StoredId::text($row['fitting_id']))
                + Levels::ofTreatment($material, $surface, $agent, true === $treatment?->basis->isOnlyTheMakers()),
        );
    }

    /** @param array<string, mixed> $row of what was printed while something was wrong with the machine */
    private function faulty(array $row): bool
    {
        $changes = $this->changes->of(StoredId::text($row['printer_id']));

        return Question::Faulty === EvidenceSince::question($changes, StoredId::text($row['plate_id']), (float) $row['at']);
    }

    /** @param array<string, mixed> $row */
    private function release(array $row): RunOutcome
    {
        return RunOutcomes::cameOff(
            null === $row['effort'] ? null : Effort::from((int) $row['effort']),
            self::bool($row['damaged']),
        );
    }

    private static function bool(mixed $stored): ?bool
    {
        return null === $stored ? null : (bool) $stored;
    }
}
