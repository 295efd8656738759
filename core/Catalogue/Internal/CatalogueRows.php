<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue\Internal;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Cleaner;
use Sitzplatz\Catalogue\Drying;
use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\LayerMaterial;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\School;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Catalogue\Window;
use Sitzplatz\Words\CatalogueText;

/** The rows of the catalogue's files as values. */
final readonly class CatalogueRows
{
    /**
     * @param array<string, Material>      $materials
     * @param array<string, Surface>       $surfaces
     * @param array<string, Agent>         $agents
     * @param array<string, Cleaner>       $cleaners
     * @param array<string, LayerMaterial> $layers
     * @param list<School>                 $schools
     * @param list<Pairing>                $pairings
     */
    private function __construct(
        public array $materials,
        public array $surfaces,
        public array $agents,
        public array $cleaners,
        public array $layers,
        public array $schools,
        public array $pairings,
    ) {
    }

    /**
     * @param array<string, list<array<string, mixed>>> $data
     *
     * @throws BadCatalogue if an entry stands twice
     */
    public static function of(array $data): self
    {
        $surfaces = self::byId('surface', $data['surfaces'], self::surface(...));

        return new self(
            self::byId('material', $data['materials'], self::material(...)),
            $surfaces,
            self::byId('agent', $data['agents'], self::agent(...)),
            self::byId(
                'cleaner',
                $data['cleaners'],
                static fn (array $c): Cleaner => new Cleaner(
                    $c['id'],
                    self::text('cleaner', $c, 'name'),
                    self::text('cleaner', $c, 'how'),
                    self::textOrNull('cleaner', $c, 'hazard'),
                    Basis::from($c['basis']),
                ),
            ),
            self::byId('layer', $data['layers'], static fn (array $l): LayerMaterial => new LayerMaterial(
                $l['id'],
                self::text('layer', $l, 'name'),
                (float) $l['conductivity_w_mk'],
                (float) $l['density_kg_m3'],
                (float) $l['heat_capacity_j_kgk'],
                (float) $l['emissivity'],
                $l['metal'] ?? false,
                $l['magnetic'] ?? false,
                Basis::from($l['basis']),
                $l['brittle'] ?? false,
                isset($l['shock_k']) ? (float) $l['shock_k'] : null,
                $l['gas'] ?? false,
                $l['tacky'] ?? false,
            )),
            array_values(self::byId('question', $data['schools'], static fn (array $s): School => new School(
                $s['id'],
                self::text('school', $s, 'question'),
                self::texts('school', $s, 'schools'),
                self::text('school', $s, 'default'),
                self::text('school', $s, 'why'),
                $s['about']['materials'] ?? [],
                $s['about']['surfaces'] ?? [],
                $s['about']['agents'] ?? [],
            ))),
            array_map(
                static fn (array $p): Pairing => self::pairing(
                    $p,
                    isset($surfaces[$p['surface']]) ? $surfaces[$p['surface']]->releaseWay : new CatalogueText('surface.none.release_way', ''),
                ),
                [...$data['pairings'], ...self::alike($data['materials'], $data['pairings'])],
            ),
        );
    }

    /**
     * What a family has from another that it is like.
     *
     * @param list<array<string, mixed>> $materials
     * @param list<array<string, mixed>> $pairings
     *
     * @return list<array<string, mixed>>
     */
    private static function alike(array $materials, array $pairings): array
    {
        $own = array_fill_keys(array_map(static fn (array $p): string => $p['material'].'/'.$p['surface'], $pairings), true);
        $alike = [];
        foreach ($materials as $material) {
            foreach ($pairings as $pairing) {
                if ($pairing['material'] === ($material['like'] ?? null) && !isset($own[$material['id'].'/'.$pairing['surface']])) {
                    $alike[] = ['material' => $material['id'], 'basis' => Basis::Memory->value] + $pairing;
                }
            }
        }

        return $alike;
    }

    /** @param array<string, mixed> $m a row of materials.yaml */
    public static function material(array $m): Material
    {
        $drying = $m['moisture'] ?? null;

        return new Material(
            $m['id'],
            self::text('material', $m, 'name'),
            'resin' !== ($m['kind'] ?? 'filament'),
            self::range($m['glass_transition_c'] ?? null),
            self::range($m['bed_c'] ?? null),
            self::range($m['nozzle_c'] ?? null),
            $m['expansion_um_mk'] * 1e-6,
            $m['modulus_gpa'] * 1000.0,
            Enclosure::from($m['enclosure'] ?? 'no'),
            $m['fumes'] ?? false,
            null === $drying ? null : new Drying((float) $drying['dry_hours'], (float) $drying['dry_c'], $drying['good_days']),
            self::texts('material', $m, 'notes'),
            Basis::from($m['basis']),
            isset($m['crystallises_c']) ? (float) $m['crystallises_c'] : null,
        );
    }

    /** @param array<string, mixed> $s a row of surfaces.yaml */
    public static function surface(array $s): Surface
    {
        return new Surface(
            $s['id'],
            self::text('surface', $s, 'name'),
            'resin' !== ($s['kind'] ?? 'filament'),
            self::text('surface', $s, 'grip'),
            isset($s['limit_c']) ? (float) $s['limit_c'] : null,
            $s['flexes'],
            $s['freezes'] ?? false,
            self::text('surface', $s, 'cleaning'),
            $s['finish'],
            self::text('surface', $s, 'release_way'),
            self::text('surface', $s, 'done_hot'),
            self::texts('surface', $s, 'cautions'),
            $s['cleaners'],
            $s['harmed_by'] ?? [],
            isset($s['alcohol_max_percent']) ? (float) $s['alcohol_max_percent'] : null,
            isset($s['nozzle_limit_c']) ? (float) $s['nozzle_limit_c'] : null,
            $s['raft_required'] ?? false,
            $s['blinds_inductive_probe'] ?? false,
            $s['life_prints'],
            array_values(array_map(static fn (array $layer): array => [$layer[0], (float) $layer[1]], $s['plate'] ?? [])),
            Basis::from($s['basis']),
            $s['wants_scuff'] ?? false,
            $s['works_cold'] ?? false,
            $s['wash_prints'] ?? Surface::WASH_PRINTS,
            $s['alcohol_wears'] ?? false,
            isset($s['life_months']) ? (float) $s['life_months'] : null,
        );
    }

    /** @param array<string, mixed> $a */
    private static function agent(array $a): Agent
    {
        return new Agent(
            $a['id'],
            self::text('agent', $a, 'name'),
            self::text('agent', $a, 'carrier'),
            $a['solvents'] ?? [],
            $a['removed_by'],
            $a['coat_prints'],
            self::text('agent', $a, 'put_on'),
            self::text('agent', $a, 'lasts'),
            self::text('agent', $a, 'off_with'),
            self::textOrNull('agent', $a, 'hazard'),
            Basis::from($a['basis']),
            $a['off_printer'] ?? false,
            isset($a['grips_c']) ? (float) $a['grips_c'] : null,
            isset($a['lets_go_c']) ? (float) $a['lets_go_c'] : null,
            $a['traces'] ?? true,
            underside: self::textOrNull('agent', $a, 'underside'),
            keepsMonths: isset($a['keeps_months']) ? (float) $a['keeps_months'] : null,
            thickens: $a['thickens'] ?? false,
        );
    }

    /**
     * @param array<string, mixed> $p
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     */
    private static function pairing(array $p, CatalogueText $releaseWay): Pairing
    {
        $p['id'] = $p['material'].'/'.$p['surface'];
        $basis = Basis::from($p['basis']);
        $treatments = [];
        foreach ($p['treatments'] as $agentId => $t) {
            $agent = 'bare' === $agentId ? null : (string) $agentId;
            $treatments[$agent ?? ''] = new Treatment(
                $agent,
                AgentRole::from($t['role'] ?? 'none'),
                Grade::from($t['hold']),
                Grade::from($t['release']),
                $t['barrier'] ?? false,
                self::textOrNull('treatment', ['id' => $p['id'].'/'.$agentId, ...$t], 'note'),
                isset($t['small']) ? Grade::from($t['small']) : null,
                isset($t['full']) ? Grade::from($t['full']) : null,
                isset($t['cold']) ? Grade::from($t['cold']) : null,
                isset($t['basis']) ? Basis::from($t['basis']) : $basis,
                noteCold: self::textOrNull('treatment', ['id' => $p['id'].'/'.$agentId, ...$t], 'cold_note'),
            );
        }
        $seconds = isset($p['window_s']);
        $window = array_map(floatval(...), $p[$seconds ? 'window_s' : 'window_c']);

        return new Pairing(
            $p['material'],
            $p['surface'],
            new Window($window[0], $window[1], $window[2], $seconds ? Axis::Seconds : Axis::Celsius),
            isset($p['release_c']) ? (float) $p['release_c'] : null,
            self::textOrNull('pairing', $p, 'release_way') ?? $releaseWay,
            $p['bonds'] ?? false,
            self::textOrNull('pairing', $p, 'gap'),
            $treatments,
            self::texts('pairing', $p, 'cautions'),
            $basis,
            ...(isset($p['gap_mm'])
                ? ['gapMm' => new Window((float) $p['gap_mm'][0], (float) $p['gap_mm'][1], (float) $p['gap_mm'][2], Axis::Millimetres)] : []),
        );
    }

    /** @param array<string, mixed> $row */
    private static function text(string $kind, array $row, string $field): CatalogueText
    {
        return new CatalogueText("$kind.{$row['id']}.$field", $row[$field]);
    }

    /** @param array<string, mixed> $row */
    private static function textOrNull(string $kind, array $row, string $field): ?CatalogueText
    {
        return isset($row[$field]) ? self::text($kind, $row, $field) : null;
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return list<CatalogueText>
     */
    private static function texts(string $kind, array $row, string $field): array
    {
        $texts = [];
        foreach ($row[$field] ?? [] as $i => $text) {
            $texts[] = new CatalogueText("$kind.{$row['id']}.$field.$i", $text);
        }

        return $texts;
    }

    /**
     * @template T
     *
     * @param list<array<string, mixed>>        $rows
     * @param \Closure(array<string, mixed>): T $make
     *
     * @return array<string, T>
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     */
    private static function byId(string $kind, array $rows, \Closure $make): array
    {
        $entries = [];
        foreach ($rows as $row) {
            isset($entries[$row['id']]) && throw BadCatalogue::twice($kind, $row['id']);
            $entries[$row['id']] = $make($row);
        }

        return $entries;
    }

    /**
     * @param array<int, int|float>|null $range
     *
     * @return array{float, float}|null
     */
    private static function range(?array $range): ?array
    {
        return null === $range ? null : [(float) $range[0], (float) $range[1]];
    }
}
