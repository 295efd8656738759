<?php

declare(strict_types=1);

namespace App\Choose;

use App\Catalogue\ShopCatalogue;
use App\Catalogue\StoredFact;
use App\Keep\ProfileDoubts;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\School;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What practice and the shop know of each pair, with the shop's own evidence over it. */
final readonly class CatalogueData
{
    public function __construct(private ShopCatalogue $shop, private OwnRunsRepository $ownRuns, private ProfileDoubts $doubts)
    {
    }

    /** @return list<array<string, mixed>> every pair that something is known of, as the grid shows it */
    public function pairs(): array
    {
        $catalogue = $this->shop->get();
        $profiles = $this->doubts->undoubted();
        $own = $this->ownRuns->sums(null);
        $pairs = [];
        foreach ($catalogue->materials as $material) {
            $counted = $own[$material->id] ?? [];
            foreach ($catalogue->surfaces as $surface) {
                $pairing = $catalogue->pairing($material->id, $surface->id);
                if (null === $pairing) {
                    continue;
                }
                $best = $pairing->best();
                $runs = $counted[$surface->id] ?? [];
                $pairs[] = [
                    'materialId' => $material->id,
                    'surfaceId' => $surface->id,
                    'bonds' => $pairing->bonds,
                    'best' => [
                        'agentKindId' => $best->agentId,
                        'role' => null === $best->agentId ? null : $best->role->value,
                        'hold' => $best->hold->value,
                        'release' => $best->release->value,
                    ],
                    'held' => array_sum(array_column($runs, 'held')),
                    'runs' => array_sum(array_column($runs, 'runs')),
                    'profiles' => $profiles[$material->id][$surface->id] ?? 0,
                    'ownFact' => [] !== array_filter($pairing->treatments, static fn (Treatment $t): bool => null !== $t->shop),
                ];
            }
        }

        return $pairs;
    }

    /** @return array<string, mixed>|null null if nothing is known of the pair */
    public function pair(string $materialId, string $surfaceId): ?array
    {
        $catalogue = $this->shop->get();
        $pairing = $catalogue->pairing($materialId, $surfaceId);
        if (null === $pairing) {
            return null;
        }
        $counted = $this->ownRuns->sums($materialId)[$materialId][$surfaceId] ?? [];
        $ours = $this->shop->ours()->pairing($materialId, $surfaceId);
        $treatments = [];
        foreach ($pairing->treatments as $treatment) {
            $treatments[] = $this->treatment(
                $treatment,
                $ours?->treatment($treatment->agentId),
                $counted[$treatment->agentId ?? ''] ?? ['held' => 0, 'runs' => 0, 'clean' => 0, 'released' => 0],
                $catalogue,
            );
        }

        return [
            'materialId' => $materialId,
            'surfaceId' => $surfaceId,
            'axis' => $pairing->window->axis->value,
            'window' => [$pairing->window->low, $pairing->window->target, $pairing->window->high],
            'ourWindow' => null === $ours ? null : [$ours->window->low, $ours->window->target, $ours->window->high],
            'releaseC' => $pairing->releaseC,
            'releaseWay' => $pairing->releaseWay,
            'bonds' => $pairing->bonds,
            'gap' => $pairing->gap,
            'cautions' => $pairing->cautions,
            'basis' => $pairing->basis->words(),
            'sources' => self::sources($pairing, array_sum(array_column($counted, 'runs'))),
            'treatments' => $treatments,
            'schools' => self::schools($catalogue->schoolsOn($materialId, $surfaceId, ...array_map(strval(...), array_keys($pairing->treatments)))),
            'facts' => array_map(static fn (StoredFact $f): array => $f->toArray(), $this->shop->recordOf($materialId, $surfaceId)),
        ];
    }

    /** On how many sources of which kind its ways rest, and how often it was tested here. */
    private static function sources(Pairing $pairing, int $tests): Sentence
    {
        $sources = $pairing->sources();
        $each = array_map(static fn (string $basis, int $ways): Sentence => Sentence::of(
            'pair_source',
            ways: Quantity::count($ways),
            basis: Basis::from($basis)->words(),
        ), array_keys($sources), array_values($sources));

        return Sentence::of('pair_sources', sources: Listing::of($each, Joined::Comma), tests: Quantity::count($tests));
    }

    /**
     * @param list<School> $schools
     *
     * @return list<array<string, mixed>>
     */
    public static function schools(array $schools): array
    {
        return array_map(
            static fn (School $s): array => ['id' => $s->id, 'question' => $s->question, 'schools' => $s->schools, 'default' => $s->default, 'why' => $s->why],
            $schools,
        );
    }

    /**
     * @param array{held: int, runs: int, clean: int, released: int} $own
     *
     * @return array<string, mixed>
     */
    private function treatment(Treatment $treatment, ?Treatment $ours, array $own, Catalogue $catalogue): array
    {
        return [
            'agentKindId' => $treatment->agentId,
            'agentName' => null === $treatment->agentId ? null : $catalogue->agent($treatment->agentId)->name,
            'role' => null === $treatment->agentId ? null : $treatment->role->value,
            'hold' => $treatment->hold->value,
            'release' => $treatment->release->value,
            'holdSmall' => $treatment->holdSmall?->value,
            'holdFull' => $treatment->holdFull?->value,
            'holdCold' => $treatment->holdCold?->value,
            'barrier' => $treatment->barrier,
            'note' => $treatment->note ?? $treatment->noteCold,
            'basis' => $treatment->basis->words(),
            'held' => $own['held'],
            'runs' => $own['runs'],
            'clean' => $own['clean'],
            'released' => $own['released'],
            'holdStanding' => $treatment->hold->standing($own['held'], $own['runs'])->value,
            'releaseStanding' => $treatment->release->standing($own['clean'], $own['released'])->value,
            'ourHold' => null === $treatment->shop ? null : $ours?->hold->value,
            'ourRelease' => null === $treatment->shop ? null : $ours?->release->value,
        ];
    }
}
