<?php

declare(strict_types=1);

namespace App\Bench;

use App\Test\RunTally;
use Doctrine\DBAL\Connection;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Test\SetupLabel;
use Symfony\Component\Uid\Uuid;

/**
 * The data of a busy shop over three years, written beside the demo: 200 plates, 500 profiles, 50 000 runs, a million log
 * entries, a million prints for use. By a seed, and spread as a shop's would be: a few materials and plates make most of the
 * runs, sheets are replaced, lots are used up. Every row is that of the demo with other values, so that it is as full as a
 * real one.
 *
 * @phpstan-type Side array{
 *     id: string, plate: string, printer: array{id: string, chamber: bool}, materials: array{string, string}, surface: string,
 *     fittings: list<array{id: string, fromMs: int}>,
 * }
 */
final class Volume
{
    private const YEARS_MS = 3 * 365 * 86_400_000;
    /** Of a hundred comparisons. */
    private const MATERIALS = ['pla' => 36, 'petg' => 26, 'abs' => 12, 'asa' => 8, 'tpu' => 7, 'pa' => 5, 'pc' => 3, 'petg_cf' => 3];
    private const PRINTERS = 8;
    private const PLATES = 200;
    private const PROFILES = 500;
    /** Log entries for each run, and prints for use. */
    private const LOG_A_RUN = 20;
    private const JOBS_A_RUN = 20;
    /** That nobody has answered yet. */
    private const JOBS_OPEN = 30;
    /** Well below what the server takes in one statement. */
    private const BYTES_AT_ONCE = 2_000_000;

    private readonly Randomizer $random;
    private readonly int $nowMs;
    /** @var array<string, array<string, mixed>> a row of the demo, by table */
    private array $like = [];
    /** @var array<string, list<string>> values in SQL that wait, by table */
    private array $waiting = [];
    /** @var array<string, int> their bytes */
    private array $bytes = [];
    /** @var list<array{id: string, chamber: bool}> */
    private array $printers = [];
    /** @var list<Side> */
    private array $sides = [];
    /** @var array<string, list<string>> by material */
    private array $lots = [];
    /** @var list<string> */
    private array $people = [];
    /** @var array<string, mixed> what a comparison holds constant, as its setups have it */
    private array $held = [];
    private float $minutes = 25.0;
    private int $parts = 1;

    public function __construct(
        private readonly Connection $database,
        private readonly RunTally $tally,
        private readonly Catalogue $catalogue,
        int $seed,
        \DateTimeImmutable $now,
    ) {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $this->nowMs = 1000 * $now->getTimestamp();
    }

    /** @return array<string, int> rows by table */
    public function load(int $runs): array
    {
        $this->database->executeStatement('SET foreign_key_checks = 0, unique_checks = 0');
        $this->database->transactional(function () use ($runs): void {
            $this->shelf();
            $this->comparisons($runs);
            $this->profiles();
            $this->care();
            foreach (array_keys($this->waiting) as $table) {
                $this->flush($table);
            }
        });
        $this->log(self::LOG_A_RUN * $runs);
        $this->jobs(self::JOBS_A_RUN * $runs);
        $this->database->executeStatement('SET foreign_key_checks = 1, unique_checks = 1');
        $this->tally->rebuild();
        $counts = [];
        foreach (['plate', 'lot', 'comparison', 'setup', 'run', 'reading', 'run_tally', 'profile', 'care_event', 'audit_entry', 'job'] as $table) {
            $this->database->executeQuery("ANALYZE TABLE $table")->free();
            $count = $this->database->fetchOne("SELECT COUNT(*) FROM $table");
            $counts[$table] = is_numeric($count) ? (int) $count : 0;
        }

        return $counts;
    }

    private function shelf(): void
    {
        $this->people = array_map(strval(...), $this->database->fetchFirstColumn('SELECT id FROM user_account'));
        $printer = $this->database->fetchAssociative("SELECT * FROM printer WHERE name = 'North bay'") ?: [];
        $this->like['printer'] = $printer;
        for ($i = 0; $i < self::PRINTERS; ++$i) {
            $this->printers[] = ['id' => $id = $this->id($this->nowMs - self::YEARS_MS), 'chamber' => 0 === $i % 4];
            $this->put(
                'printer',
                ['id' => $id, 'name' => 'Hall '.($i + 1), 'has_enclosure' => $i % 2, 'chamber_c' => 0 === $i % 4 ? 55 : null, 'magnet_limit_c' => 120],
            );
        }
        $surfaces = array_values(array_filter(
            array_keys($this->catalogue->surfaces),
            fn (string $id): bool => $this->catalogue->surface($id)->filament && [] !== $this->catalogue->surface($id)->plate,
        ));
        for ($i = 0; $i < self::PLATES; ++$i) {
            $this->plate($i, $surfaces);
        }
        foreach (self::MATERIALS as $material => $share) {
            for ($i = 0; $i < 3 + 2 * $share; ++$i) {
                $this->lots[$material][] = $id = $this->id($this->nowMs - self::YEARS_MS + (int) ($i * self::YEARS_MS / (3 + 2 * $share)));
                $this->put(
                    'lot',
                    ['id' => $id, 'label' => strtoupper($material).'-'.($i + 1), 'material_id' => $material, 'retired' => $i < 2 * $share ? 1 : 0],
                );
            }
        }
    }

    /** @param list<string> $surfaces */
    private function plate(int $i, array $surfaces): void
    {
        $plate = $this->id($this->nowMs - self::YEARS_MS);
        $printer = $this->printers[$i % self::PRINTERS]['id'];
        // Half of the plates are of the four kinds that everybody has.
        $kind = 0 === $i % 2 ? $surfaces[intdiv($i, 2) % 4] : $surfaces[$this->random->getInt(0, \count($surfaces) - 1)];
        $layers = array_map(static fn (array $layer): array => ['of' => $layer[0], 'mm' => $layer[1]], $this->catalogue->surface($kind)->plate);
        $this->put('plate', [
            'id' => $plate, 'number' => 'H'
                .(100 + $i), 'printer_id' => $printer, 'layers' => json_encode($layers, \JSON_THROW_ON_ERROR), 'width_mm' => 250, 'depth_mm' => 210,
            'held_by' => 'magnet', 'retired' => $i > 180 ? 1 : 0,
        ]);
        foreach (0 === $i % 3 ? ['front', 'back'] : ['front'] as $face) {
            $side = $this->id($this->nowMs - self::YEARS_MS);
            $fittings = [];
            for ($sheet = 0, $sheets = $this->random->getInt(1, 4); $sheet < $sheets; ++$sheet) {
                $from = $this->nowMs - self::YEARS_MS + (int) ($sheet * self::YEARS_MS / $sheets);
                $fittings[] = ['id' => $id = $this->id($from), 'fromMs' => $from];
                $this->put(
                    'fitting',
                    ['id' => $id, 'created_at' => self::time($from), 'surface_id' => $kind, 'surface_lot' => "sheet $sheet", 'side_id' => $side],
                );
            }
            $this->put('plate_side', ['id' => $side, 'face' => $face, 'fitting_id' => $fittings[\count($fittings) - 1]['id'], 'plate_id' => $plate]);
            $this->sides[] = ['id' => $side, 'plate' => $plate, 'printer' => $this->printers[$i % self::PRINTERS],
                'materials' => [$this->material(), $this->material()], 'surface' => $kind, 'fittings' => $fittings];
        }
    }

    private function comparisons(int $runs): void
    {
        $agents = $this->database->fetchAllKeyValue('SELECT kind_id, id FROM agent_stock WHERE retired = 0');
        for ($done = $at = 0; $done < $runs; ++$at) {
            $startMs = $this->nowMs - self::YEARS_MS + (int) ($done * (self::YEARS_MS - 86_400_000) / $runs);
            $material = $this->material();
            $sides = array_values(array_filter($this->sides, fn (array $side): bool => null !== $this->catalogue->pairing($material, $side['surface'])));
            $lots = $this->lots[$material];
            $lot = $lots[min(\count($lots) - 1, (int) (\count($lots) * $done / $runs))];
            $printer = $this->printers[$this->random->getInt(0, self::PRINTERS - 1)];
            $comparison = $this->id($startMs);
            $open = $done > $runs - 80;
            $this->put('comparison', [
                'id' => $comparison, 'created_at' => self::time($startMs), 'title' => "$material on the hall plates, ".($at + 1), 'status' => $open
                    ? 'running'
                    : 'closed',
                'material_id' => $material,
                'lot_id' => $lot,
                'printer_id' => $printer['id'],
                'room_c' => 18 + $this->random->getInt(0, 7),
                'started_at' => self::time($startMs),
                'closed_at' => $open
                    ? null
                    : self::time($startMs + 3 * 86_400_000), 'seed' => $at, 'gap_mm' => $gap = [0.1, 0.1, 0.1, 0.15][$this->random->getInt(0, 3)],
            ]);
            // Of one comparison all parts are alike, and so are lot and gap.
            $this->held = ['material_id' => $material, 'lot_id' => $lot, 'gap_mm' => $gap];
            $this->minutes = 22 * exp(1.4 * $this->chance());
            $this->parts = 0 === $this->random->getInt(0, 14) ? $this->random->getInt(4, 12) : 1;
            $ids = [];
            $perSetup = $this->random->getInt(6, 12);
            for ($s = 0, $setups = $this->random->getInt(2, 3); $s < $setups; ++$s) {
                // A few plates make most of the runs.
                $side = $sides[(int) (\count($sides) * ($this->random->getInt(0, 999) / 1000) ** 2)];
                $ids = [...$ids, ...$this->setup($comparison, $s, $side, $agents, $material, $startMs, $perSetup)];
            }
            $done += \count($ids);
            if (!$open) {
                $this->put('verdict_record', [
                    'id' => $this->id($startMs + 3 * 86_400_000),
                    'created_at' => self::time($startMs + 3 * 86_400_000),
                    'comparison_id' => $comparison,
                    'run_ids' => json_encode(array_map(static fn (string $id): string => Uuid::fromBinary($id)->toRfc4122(), $ids), \JSON_THROW_ON_ERROR),
                ]);
            }
        }
    }

    /**
     * @param Side         $side
     * @param array<mixed> $agents
     *
     * @return list<string> ids of its runs
     */
    private function setup(string $comparison, int $position, array $side, array $agents, string $material, int $startMs, int $runs): array
    {
        $pairing = $this->catalogue->pairing($material, $side['surface']);
        $ways = array_values(array_filter(array_keys($pairing->treatments ?? []), static fn (string $kind): bool => '' === $kind || isset($agents[$kind])));
        $way = $ways[$this->random->getInt(0, max(0, \count($ways) - 1))] ?? '';
        $fitting = $side['fittings'][0]['id'];
        foreach ($side['fittings'] as $each) {
            $fitting = $each['fromMs'] <= $startMs ? $each['id'] : $fitting;
        }
        $bed = round(($pairing->window->target ?? 60.0) + (0 === $this->random->getInt(0, 4) ? 2.0 * $this->random->getInt(-2, 2) : 0.0));
        $setup = $this->id($startMs);
        $this->put('setup', [
            'id' => $setup,
            'created_at' => self::time($startMs),
            'label' => SetupLabel::at($position),
            'position' => $position,
            'bed_first_c' => $bed,
            'bed_other_c' => $bed,
            ...$this->held,
            'comparison_id' => $comparison, 'side_id' => $side['id'], 'fitting_id' => $fitting, 'agent_id' => '' === $way ? null : $agents[$way],
        ]);
        $good = $pairing?->treatment('' === $way ? null : $way)?->hold->share() ?? 0.8;
        $ids = [];
        for ($r = 0; $r < $runs; ++$r) {
            $ids[] = $this->run($comparison, $setup, $fitting, $position * $runs + $r, $startMs + (int) (($position * $runs + $r) * 5_400_000), $good);
        }

        return $ids;
    }

    private function run(string $comparison, string $setup, string $fitting, int $position, int $atMs, float $good): string
    {
        $run = $this->id($atMs);
        $void = 0 === $this->random->getInt(0, 49);
        $held = $this->chance() < $good;
        $hot = 0 === $position % 2;
        $effort = $held ? min(4, (int) (1.6 * $this->chance() + ($this->chance() < 0.06 ? 3 : 0))) : null;
        $damage = $held ? (int) ($this->chance() < 0.004) : null;
        $minutes = round($this->minutes * (0.98 + 0.04 * $this->chance()), 1);
        $this->put('run', [
            'id' => $run,
            'fitting_id' => $fitting,
            'created_at' => self::time($atMs),
            'status' => $void ? 'void' : 'done',
            'step' => 'clean',
            'outcome' => $held ? 'held' : 'came_off',
            'position' => $position,
            'visit' => 1 + intdiv($position, 6), 'pull' => $hot
                ? 'hot'
                : 'cold', 'plate_change' => 0, 'room_c' => 20, 'comparison_id' => $comparison, 'setup_id' => $setup,
            'started_at' => self::time($atMs),
            'finished_at' => self::time($atMs + 4_800_000),
            'outcome_said_at' => self::time($atMs + 4_000_000),
            'held' => (int) $held,
            'effort' => $effort, 'damage' => $damage, 'print_minutes' => $minutes, 'void_reason' => $void
                ? 'the wrong spool'
                : '', 'made_by_id' => $this->person(),
        ]);
        for ($p = 1; $p <= $this->parts; ++$p) {
            $this->put('part', ['id' => $part = $this->id($atMs), 'created_at' => self::time($atMs), 'place' => $p, 'run_id' => $run]);
            $values = ['held' => (int) $held];
            if ($held && 1 === $p) {
                $values += $hot ? ['pull_hot' => round(24 + 18 * $this->chance(), 1)] : ['pull_cold' => round(2 + 8 * $this->chance(), 1)];
                $values += ['effort' => $effort, 'damage' => $damage];
            }
            foreach ($values as $measure => $value) {
                $reading = $this->id($atMs + 4_000_000);
                $this->put('reading', [
                    'id' => $reading,
                    'created_at' => self::time($atMs + 4_000_000),
                    'measure' => $measure,
                    'value' => $value,
                    'entered_value' => $value,
                    'at_least' => 0,
                    'entered_unit' => str_starts_with($measure, 'pull') ? 'N' : '', 'part_id' => $part, 'amends_id' => null, 'gauge_id' => null,
                ]);
                $this->put('standing', ['part_id' => $part, 'measure' => $measure, 'place' => 1, 'reading_id' => $reading]);
            }
        }

        return $run;
    }

    private function profiles(): void
    {
        $like = $this->database->fetchAssociative("SELECT * FROM profile WHERE status = 'validated' AND side_id IS NOT NULL ORDER BY id LIMIT 1") ?: [];
        // The database makes them of the document.
        unset($like['terms']);
        $this->like['profile'] = $like;
        $document = json_decode((string) ($like['document'] ?? '{}'), true, 64, \JSON_THROW_ON_ERROR);
        \assert(\is_array($document));
        for ($i = 0; $i < self::PROFILES; ++$i) {
            $material = $this->material();
            $side = $this->sides[$this->random->getInt(0, \count($this->sides) - 1)];
            $printer = $this->printers[$this->random->getInt(0, self::PRINTERS - 1)]['id'];
            $lots = $this->lots[$material];
            $lot = $lots[$this->random->getInt(0, \count($lots) - 1)];
            $atMs = $this->nowMs - (int) (self::YEARS_MS * $this->chance());
            $scope = [...(array) ($document['scope'] ?? []), 'materialId' => $material, 'surfaceId' => $side['surface']];
            $this->put('profile', [
                'id' => $this->id($atMs), 'created_at' => self::time($atMs), 'status' => $this->chance() < 0.8
                    ? 'validated'
                    : 'withdrawn', 'series' => $this->id($atMs), 'revision' => 1,
                'title' => "$material, hall plate ".($i + 1), 'material_id' => $material, 'document' => json_encode(
                    [...$document, 'scope' => $scope],
                    \JSON_THROW_ON_ERROR,
                ),
                'printer_id' => $printer,
                'side_id' => $side['id'],
                'fitting_id' => $side['fittings'][\count($side['fittings']) - 1]['id'],
                'lot_id' => $lot,
                'evidence_until' => self::time($atMs), 'signed_at' => self::time($atMs),
            ]);
        }
    }

    private function care(): void
    {
        foreach ($this->sides as $side) {
            for ($atMs = $this->nowMs - self::YEARS_MS; $atMs < $this->nowMs; $atMs += 86_400_000 * $this->random->getInt(8, 40)) {
                $this->put(
                    'care_event',
                    ['id' => $this->id($atMs), 'created_at' => self::time($atMs), 'kind' => 'wash', 'side_id' => $side['id'], 'agent_id' => null],
                );
            }
        }
        foreach ($this->printers as $printer) {
            for ($i = 0; $i < 30; ++$i) {
                $atMs = $this->nowMs - (int) (self::YEARS_MS * $this->chance());
                $this->put(
                    'change_event',
                    [
                        'id' => $this->id($atMs),
                        'created_at' => self::time($atMs),
                        'kind' => 0 === $i % 2 ? 'levelling' : 'nozzle',
                        'printer_id' => $printer['id'],
                        'plate_id' => null,
                    ],
                );
            }
        }
    }

    private function log(int $entries): void
    {
        for ($i = 0; $i < $entries; ++$i) {
            $atMs = $this->nowMs - self::YEARS_MS + (int) ($i * self::YEARS_MS / $entries);
            $this->put(
                'audit_entry',
                [
                    'id' => $this->id($atMs),
                    'created_at' => self::time($atMs),
                    'subject_id' => $this->random->getBytes(16),
                    'detail' => '{"outcome":"held"}',
                    'action' => 'step', 'user_name' => 'Mara', 'utc_offset_minutes' => 0,
                ],
            );
        }
        $this->flush('audit_entry');
    }

    private function jobs(int $count): void
    {
        for ($i = 0; $i < $count; ++$i) {
            $atMs = $this->nowMs - self::YEARS_MS + (int) ($i * self::YEARS_MS / $count);
            $side = $this->sides[$this->random->getInt(0, \count($this->sides) - 1)];
            $sheets = array_filter($side['fittings'], static fn (array $sheet): bool => $sheet['fromMs'] <= $atMs);
            $said = 0.55 + 0.44 * $this->chance();
            $open = $i >= $count - self::JOBS_OPEN;
            $held = $this->chance() < $said;
            $material = $side['materials'][$this->random->getInt(0, 1)];
            $this->put('job', [
                'id' => $this->id($atMs), 'created_at' => self::time($atMs), 'utc_offset_minutes' => 0, 'version' => $open ? 1 : 2,
                'status' => $open ? 'open' : 'answered', 'title' => 'Part '.($i + 1), 'bed_first_c' => 60, 'bed_other_c' => 60, 'exposure_s' => null,
                'room_c' => 20, 'parts' => $this->random->getInt(1, 6), 'planned_minutes' => 240, 'said_chance' => $said, 'practice_chance' => 0.8,
                'basis' => ['proven', 'own', 'alike', 'practice'][$this->random->getInt(0, 3)], 'reported_minutes' => null,
                'outcome' => $open ? null : ($held ? 'held' : 'came_off'), 'effort' => $open || !$held ? null : 1, 'damaged' => $open ? null : 0,
                'minutes' => $open ? null : 230, 'came_true' => $open ? null : (int) $held, 'note' => '',
                'answered_at' => $open ? null : self::time($atMs + 4 * 3_600_000), 'answered_by' => $open ? '' : 'Mara', 'begun_by' => 'Mara',
                'material_id' => $material, 'agent_id' => null, 'lot_id' => $this->lots[$material][0],
                'fitting_id' => $side['fittings'][max(0, \count($sheets) - 1)]['id'],
                'printer_id' => $side['printer']['id'], 'side_id' => $side['id'],
                'has_enclosure' => 0, 'chamber_c' => $side['printer']['chamber'] ? 55 : null, 'spot' => null,
                'assumed' => 0, 'warm_wh' => 40, 'draws_w' => 60, 'energy_wh' => $open ? null : 270,
            ]);
        }
        $this->flush('job');
    }

    private function material(): string
    {
        $at = $this->random->getInt(0, array_sum(self::MATERIALS) - 1);
        foreach (self::MATERIALS as $material => $share) {
            $at -= $share;
            if ($at < 0) {
                return $material;
            }
        }

        return 'pla';
    }

    private function person(): ?string
    {
        return [] === $this->people ? null : $this->people[$this->random->getInt(0, \count($this->people) - 1)];
    }

    private function chance(): float
    {
        return $this->random->getInt(0, 999_999) / 1e6;
    }

    /** A key that lies where rows of its time lie. */
    private function id(int $ms): string
    {
        $bytes = substr(pack('J', $ms), 2).$this->random->getBytes(10);
        $bytes[6] = \chr(0x70 | \ord($bytes[6]) & 0x0F);
        $bytes[8] = \chr(0x80 | \ord($bytes[8]) & 0x3F);

        return $bytes;
    }

    private static function time(int $ms): string
    {
        return gmdate('Y-m-d H:i:s', intdiv($ms, 1000)).'.000000';
    }

    /** @param array<string, mixed> $values */
    private function put(string $table, array $values): void
    {
        $this->like[$table] ??= $this->database->fetchAssociative("SELECT * FROM $table LIMIT 1") ?: [];
        $row = [...$this->like[$table], ...$values];
        // What the demo has nothing of stands by its own.
        $this->like[$table] = [] === $this->like[$table] ? $row : $this->like[$table];
        $this->waiting[$table][] = $sql = '('.implode(',', array_map($this->sql(...), $row)).')';
        $this->bytes[$table] = ($this->bytes[$table] ?? 0) + \strlen($sql);
        if ($this->bytes[$table] >= self::BYTES_AT_ONCE) {
            $this->flush($table);
        }
    }

    private function flush(string $table): void
    {
        if ([] !== ($this->waiting[$table] ?? [])) {
            $this->database->executeStatement("INSERT INTO $table ("
                .implode(',', array_keys($this->like[$table]))
                .') VALUES '
                .implode(',', $this->waiting[$table]));
        }
        $this->waiting[$table] = [];
        $this->bytes[$table] = 0;
    }

    private function sql(mixed $value): string
    {
        return match (true) {
            null === $value => 'NULL',
            \is_int($value), \is_float($value) => (string) $value,
            \is_string($value) && 16 === \strlen($value) && !mb_check_encoding($value, 'ASCII') => '0x'.bin2hex($value),
            default => $this->database->quote(\is_string($value) ? $value : ''),
        };
    }
}
