<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/**
 * The knowledge base: materials, surfaces, agents, and what is known about each pair. It is made from plain data that
 * has passed its JSON Schema; this class checks what a schema cannot, that the entries fit each other.
 */
final readonly class Catalogue
{
    /**
     * @param array<string, Material>               $materials
     * @param array<string, Surface>                $surfaces
     * @param array<string, Agent>                  $agents
     * @param array<string, array<string, Pairing>> $pairings  by material, then surface
     */
    private function __construct(
        public array $materials,
        public array $surfaces,
        public array $agents,
        private array $pairings,
        /** Tells two states of the catalogue apart. */
        public string $digest,
    ) {
    }

    /**
     * @param array{materials: list<array<string, mixed>>, surfaces: list<array<string, mixed>>, agents: list<array<string, mixed>>, pairings: list<array<string, mixed>>} $data
     *
     * @throws BadCatalogue if entries stand twice or point to something that is not there
     */
    public static function fromArray(array $data): self
    {
        $materials = $surfaces = $agents = $pairings = [];
        foreach ($data['materials'] as $m) {
            $material = new Material(
                $m['id'],
                $m['name'],
                self::range($m['glass_transition_c']),
                self::range($m['bed_c']),
                self::range($m['nozzle_c']),
                $m['enclosure_wanted'] ?? false,
                $m['fumes'] ?? false,
                $m['notes'] ?? [],
                Basis::from($m['basis']),
            );
            $materials = self::add($materials, 'material', $material->id, $material);
        }
        foreach ($data['surfaces'] as $s) {
            $surface = new Surface($s['id'], $s['name'], $s['grip'], (float) $s['limit_c'], $s['flexes'], $s['cleaning'], $s['finish'], $s['cautions'] ?? [], Basis::from($s['basis']));
            $surfaces = self::add($surfaces, 'surface', $surface->id, $surface);
        }
        foreach ($data['agents'] as $a) {
            $agent = new Agent($a['id'], $a['name'], $a['carrier'], $a['put_on'], $a['lasts'], $a['off_with'], $a['hazard'] ?? null, Basis::from($a['basis']));
            $agents = self::add($agents, 'agent', $agent->id, $agent);
        }
        foreach ($data['pairings'] as $p) {
            $pairing = self::pairingFrom($p);
            isset($materials[$pairing->materialId]) || throw BadCatalogue::unknown('material', $pairing->materialId);
            isset($surfaces[$pairing->surfaceId]) || throw BadCatalogue::unknown('surface', $pairing->surfaceId);
            foreach ($pairing->treatments as $treatment) {
                null === $treatment->agentId || isset($agents[$treatment->agentId]) || throw BadCatalogue::unknown('agent', $treatment->agentId);
            }
            $pairings[$pairing->materialId] = self::add($pairings[$pairing->materialId] ?? [], 'pairing', $pairing->surfaceId, $pairing);
        }

        return new self($materials, $surfaces, $agents, $pairings, substr(hash('sha256', serialize($data)), 0, 16));
    }

    /** @throws BadCatalogue if there is none */
    public function material(string $id): Material
    {
        return $this->materials[$id] ?? throw BadCatalogue::unknown('material', $id);
    }

    /** @throws BadCatalogue if there is none */
    public function surface(string $id): Surface
    {
        return $this->surfaces[$id] ?? throw BadCatalogue::unknown('surface', $id);
    }

    /** @throws BadCatalogue if there is none */
    public function agent(string $id): Agent
    {
        return $this->agents[$id] ?? throw BadCatalogue::unknown('agent', $id);
    }

    /** Null if practice has nothing on the pair. */
    public function pairing(string $materialId, string $surfaceId): ?Pairing
    {
        return $this->pairings[$materialId][$surfaceId] ?? null;
    }

    /** @param array<string, mixed> $p */
    private static function pairingFrom(array $p): Pairing
    {
        $treatments = [];
        foreach ($p['treatments'] as $agentId => $t) {
            $agent = 'bare' === $agentId ? null : (string) $agentId;
            $treatments[$agent ?? ''] = new Treatment(
                $agent,
                AgentRole::from($t['role'] ?? 'none'),
                Grade::from($t['hold']),
                Grade::from($t['release']),
                $t['barrier'] ?? false,
                $t['note'] ?? null,
            );
        }

        return new Pairing(
            $p['material'],
            $p['surface'],
            new Window((float) $p['window_c'][0], (float) $p['window_c'][1], (float) $p['window_c'][2]),
            (float) $p['release_c'],
            $p['release_way'],
            $p['bonds'] ?? false,
            $treatments,
            $p['cautions'] ?? [],
            Basis::from($p['basis']),
        );
    }

    /**
     * @template T
     *
     * @param array<string, T> $entries
     * @param T                $entry
     *
     * @return array<string, T>
     */
    private static function add(array $entries, string $kind, string $id, mixed $entry): array
    {
        isset($entries[$id]) && throw BadCatalogue::twice($kind, $id);
        $entries[$id] = $entry;

        return $entries;
    }

    /**
     * @param array<int, int|float> $range
     *
     * @return array{float, float}
     */
    private static function range(array $range): array
    {
        return [(float) $range[0], (float) $range[1]];
    }
}
