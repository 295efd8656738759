<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Catalogue\Internal\CatalogueRows;

/**
 * The knowledge base: materials, surfaces, agents, cleaners, what plates are made of, and what is known about each pair.
 * It is made from plain data that has passed its JSON Schema; this class checks what a schema cannot, that the entries
 * fit each other.
 */
final readonly class Catalogue
{
    /**
     * @param array<string, Material>               $materials
     * @param array<string, Surface>                $surfaces
     * @param array<string, Agent>                  $agents
     * @param array<string, Cleaner>                $cleaners
     * @param array<string, LayerMaterial>          $layers
     * @param list<School>                          $schools
     * @param array<string, array<string, Pairing>> $pairings  by material, then surface
     */
    private function __construct(
        public array $materials,
        public array $surfaces,
        public array $agents,
        public array $cleaners,
        public array $layers,
        public array $schools,
        private array $pairings,
        /** Tells two states of the catalogue apart. */
        public string $digest,
    ) {
    }

    /**
     * @param array<string, list<array<string, mixed>>> $data   rows by file name
     * @param string|null                               $digest {@see digestOf} these data, where it is known already
     *
     * @throws BadCatalogue if entries stand twice, point to something that is not there, or do not fit each other
     */
    public static function fromArray(array $data, ?string $digest = null): self
    {
        $rows = CatalogueRows::of($data);
        foreach ($rows->surfaces as $surface) {
            self::made($surface, $rows->cleaners, $rows->layers);
        }
        foreach ($rows->agents as $agent) {
            self::allIn($rows->cleaners, 'cleaner', [...$agent->solvents, ...$agent->removedBy]);
        }
        foreach ($rows->schools as $school) {
            self::allIn($rows->materials, 'material', $school->materialIds);
            self::allIn($rows->surfaces, 'surface', $school->surfaceIds);
            self::allIn($rows->agents, 'agent', $school->agentIds);
        }
        $pairings = [];
        foreach ($rows->pairings as $pairing) {
            $material = $rows->materials[$pairing->materialId] ?? throw BadCatalogue::unknown('material', $pairing->materialId);
            $surface = $rows->surfaces[$pairing->surfaceId] ?? throw BadCatalogue::unknown('surface', $pairing->surfaceId);
            self::allIn(
                $rows->agents,
                'agent',
                array_filter(array_map(strval(...), array_keys($pairing->treatments)), static fn (string $id): bool => '' !== $id),
            );
            if ($material->filament !== $surface->filament || $material->filament !== (Axis::Celsius === $pairing->window->axis)) {
                throw BadCatalogue::axis($pairing->materialId, $pairing->surfaceId);
            }
            if (isset($pairings[$pairing->materialId][$pairing->surfaceId])) {
                throw BadCatalogue::twice('pairing', $pairing->materialId.'/'.$pairing->surfaceId);
            }
            $pairings[$pairing->materialId][$pairing->surfaceId] = $pairing;
        }

        return new self(
            $rows->materials,
            $rows->surfaces,
            $rows->agents,
            $rows->cleaners,
            $rows->layers,
            $rows->schools,
            $pairings,
            $digest ?? self::digestOf($data),
        );
    }

    /**
     * The catalogue with kinds of the shop's own; a kind or a line of a chart that does not fit it is left out.
     *
     * @param list<OwnKind> $kinds
     */
    public function withKinds(array $kinds): self
    {
        $grown = $this;
        foreach ($kinds as $kind) {
            try {
                $grown = $grown->withKind($kind);
            } catch (BadCatalogue) {
                // What rests on it is refused by name where it is asked for.
            }
        }
        $lines = array_merge(...array_map(static fn (OwnKind $kind): array => $kind->chart, $kinds));
        usort($lines, ChartLine::bareFirst(...));
        foreach ($lines as $line) {
            try {
                $grown = $grown->withLine($line);
            } catch (BadCatalogue) {
                // As above.
            }
        }

        return [] === $kinds ? $this : new self(
            $grown->materials,
            $grown->surfaces,
            $this->agents,
            $this->cleaners,
            $this->layers,
            $this->schools,
            $grown->pairings,
            substr(hash('sha256', $this->digest.serialize($kinds)), 0, 16),
        );
    }

    /**
     * The catalogue with one kind more, without its chart.
     *
     * @throws BadCatalogue if it stands there already, by id or name, or points to something that is not there
     */
    public function withKind(OwnKind $kind): self
    {
        $entries = $kind->surface ? $this->surfaces : $this->materials;
        foreach ($entries as $entry) {
            if ($entry->id !== $kind->id && mb_strtolower($entry->name->english) === mb_strtolower((string) $kind->row['name'])) {
                throw BadCatalogue::named($entry->name);
            }
        }
        $materials = $this->materials;
        $surfaces = $this->surfaces;
        if ($kind->surface) {
            $surfaces[$kind->id] = CatalogueRows::surface($kind->row);
            self::made($surfaces[$kind->id], $this->cleaners, $this->layers);
        } else {
            $materials[$kind->id] = CatalogueRows::material($kind->row);
            self::ordered($materials[$kind->id]);
        }

        return new self($materials, $surfaces, $this->agents, $this->cleaners, $this->layers, $this->schools, $this->pairings, $this->digest);
    }

    /**
     * The catalogue with one line of a maker's chart more; where the pair stands already, one way more to use it.
     *
     * @throws BadCatalogue if the line points to something that is not there, says what stands there already, or cannot be
     */
    public function withLine(ChartLine $line): self
    {
        $material = $this->material($line->materialId);
        $surface = $this->surface($line->surfaceId);
        null === $line->agentId || $this->agent($line->agentId);
        $known = $this->pairing($material->id, $surface->id);
        if ($material->filament !== $surface->filament) {
            throw BadCatalogue::axis($material->id, $surface->id);
        }
        if (null !== $known?->treatment($line->agentId)) {
            throw BadCatalogue::twice('pairing', $material->id.'/'.$surface->id);
        }
        $pairings = $this->pairings;
        $pairings[$material->id][$surface->id] = Pairing::ofChart($line, $material, $surface, $known);

        return new self($this->materials, $this->surfaces, $this->agents, $this->cleaners, $this->layers, $this->schools, $pairings, $this->digest);
    }

    /**
     * The catalogue with how long coats last by the shop's own tests.
     *
     * @param array<string, array<string, int>> $prints by agent and surface; what is of neither is left out
     */
    public function withOwnCoatPrints(array $prints): self
    {
        $agents = $this->agents;
        foreach (array_intersect_key($prints, $agents) as $id => $bySurface) {
            $agents[$id] = $agents[$id]->withOwnCoatPrints($bySurface);
        }

        return [] === $prints ? $this : new self(
            $this->materials,
            $this->surfaces,
            $agents,
            $this->cleaners,
            $this->layers,
            $this->schools,
            $this->pairings,
            substr(hash('sha256', $this->digest.serialize($prints)), 0, 16),
        );
    }

    /** @param array<mixed> $data */
    public static function digestOf(array $data): string
    {
        return substr(hash('sha256', serialize($data)), 0, 16);
    }

    /**
     * The catalogue as the shop holds it true; what does not fit it is left out.
     *
     * @param list<ShopFact> $facts
     */
    public function with(array $facts): self
    {
        $pairings = $this->pairings;
        foreach ($facts as $fact) {
            $known = $pairings[$fact->materialId][$fact->surfaceId] ?? null;
            $surface = $this->surfaces[$fact->surfaceId] ?? null;
            if (null !== $known) {
                $pairings[$fact->materialId][$fact->surfaceId] = $known->with($fact);
            } elseif (null !== $surface && null !== $fact->window) {
                $pairings[$fact->materialId][$fact->surfaceId] = Pairing::ofShop($fact, $fact->window, $surface->releaseWay);
            }
        }

        return [] === $facts ? $this : new self(
            $this->materials,
            $this->surfaces,
            $this->agents,
            $this->cleaners,
            $this->layers,
            $this->schools,
            $pairings,
            substr(hash('sha256', $this->digest.serialize($facts)), 0, 16),
        );
    }

    /**
     * Whether a fact of the shop can be held. That a sheet is given up to a pair that bonds for good, bare, or that a material
     * goes without the chamber it is said to need, is the word of a lead (common practice: nobody else answers for it).
     *
     * @throws BadCatalogue with a sentence that says what to change
     */
    public function check(ShopFact $fact, bool $byLead = true): void
    {
        $material = $this->material($fact->materialId);
        $surface = $this->surface($fact->surfaceId);
        null === $fact->agentId || $this->agent($fact->agentId);
        if ($material->filament !== $surface->filament) {
            throw BadCatalogue::axis($material->id, $surface->id);
        }
        if (!$byLead && $fact->barrier && null === $fact->agentId && true === $this->pairing($material->id, $surface->id)?->bonds) {
            throw BadCatalogue::givenUp();
        }
        if (!$byLead && $fact->openPrinter) {
            throw BadCatalogue::openPrinter();
        }
        if (null === $fact->window && null === $this->pairing($material->id, $surface->id)) {
            throw BadCatalogue::noWindow();
        }
    }

    /**
     * The first of these materials that bonds to the bare surface for good and that the agent keeps off it; null: there is none.
     *
     * @param list<string> $materialIds
     */
    public function keptOff(string $surfaceId, string $agentId, array $materialIds): ?Material
    {
        foreach ($materialIds as $materialId) {
            $pairing = $this->pairing($materialId, $surfaceId);
            if (true === $pairing?->bonds && true === $pairing->treatment($agentId)?->barrier) {
                return $this->materials[$materialId] ?? null;
            }
        }

        return null;
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

    /** @throws BadCatalogue if there is none */
    public function layer(string $id): LayerMaterial
    {
        return $this->layers[$id] ?? throw BadCatalogue::unknown('layer', $id);
    }

    /** Null if practice has nothing on the pair. */
    public function pairing(string $materialId, string $surfaceId): ?Pairing
    {
        return $this->pairings[$materialId][$surfaceId] ?? null;
    }

    /** @return list<School> the questions that bear on a pair with any of these agents */
    public function schoolsOn(string $materialId, string $surfaceId, string ...$agentIds): array
    {
        return array_values(array_filter($this->schools, static fn (School $school): bool => $school->touches($materialId, $surfaceId, ...$agentIds)));
    }

    /**
     * @param array<string, Cleaner>       $cleaners
     * @param array<string, LayerMaterial> $layers
     *
     * @throws BadCatalogue if it is cleaned with or made of something that is not there
     */
    private static function made(Surface $surface, array $cleaners, array $layers): void
    {
        self::allIn($cleaners, 'cleaner', [...$surface->cleaners, ...$surface->harmedBy]);
        self::allIn($layers, 'layer', array_column($surface->plate, 0));
    }

    /** @throws BadCatalogue if a range runs backwards */
    private static function ordered(Material $material): void
    {
        foreach ([$material->glassTransitionC, $material->bedC, $material->nozzleC] as $range) {
            if (null !== $range && $range[0] > $range[1]) {
                throw BadCatalogue::range($range[0], $range[1]);
            }
        }
    }

    /**
     * @param array<string, mixed> $entries
     * @param array<string>        $ids
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     */
    private static function allIn(array $entries, string $kind, array $ids): void
    {
        foreach ($ids as $id) {
            isset($entries[$id]) || throw BadCatalogue::unknown($kind, $id);
        }
    }
}
