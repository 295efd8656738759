<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** What practice knows about one material on one surface. */
final readonly class Pairing
{
    /**
     * @param array<string, Treatment> $treatments by agent id, "" for bare
     * @param list<CatalogueText>      $cautions
     */
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        public Window $window,
        /** At and below this bed temperature the part usually comes off, °C. Null: cooling is not what frees it. */
        public ?float $releaseC,
        /** How the part is taken off. */
        public CatalogueText $releaseWay,
        /** The pair bonds for good without a barrier. */
        public bool $bonds,
        /** The first-layer gap, where the pair asks for one of its own. */
        public ?CatalogueText $gap,
        public array $treatments,
        public array $cautions,
        public Basis $basis,
        /**
         * Where the gap of the first layer has to lie, mm: folded note paper is usual, a business card where a pair welds
         * (common practice; the sizes are from memory).
         */
        public Window $gapMm = new Window(0.05, 0.1, 0.16, Axis::Millimetres),
    ) {
    }

    /** At and below this the part usually comes off with the agent between, °C: the lower of both. Null: cooling is not what frees it. */
    public function releaseWithC(?Agent $agent): ?float
    {
        return null === $this->releaseC || null === $agent?->letsGoC ? $this->releaseC : min($this->releaseC, $agent->letsGoC);
    }

    public function treatment(?string $agentId): ?Treatment
    {
        return $this->treatments[$agentId ?? ''] ?? null;
    }

    /**
     * On how many sources of which kind its ways rest: what the catalogue has of each, and the shop's own word.
     *
     * @return array<string, int> ways by the value of {@see Basis}, the most first
     */
    public function sources(): array
    {
        $counts = array_count_values(array_map(
            static fn (Treatment $way): string => (null === $way->shop ? $way->basis : Basis::Shop)->value,
            array_values($this->treatments),
        ));
        arsort($counts);

        return $counts;
    }

    /** The way of use that practice would take: the surest to hold and let go, bare where it is as sure; what bonds for good comes last. */
    public function best(): Treatment
    {
        $worth = fn (Treatment $way): float => $this->bonds && !$way->barrier ? 0.0 : $way->hold->share() * $way->release->share();
        $ways = array_values($this->treatments);
        // A stable sort: bare stands first in the list.
        usort($ways, static fn (Treatment $a, Treatment $b): int => round(1e9 * $worth($b)) <=> round(1e9 * $worth($a)));

        return $ways[0];
    }

    /** The same pair as the shop holds it true. */
    public function with(ShopFact $fact): self
    {
        $ours = $this->treatment($fact->agentId);

        return new self(
            $this->materialId,
            $this->surfaceId,
            $fact->window ?? $this->window,
            $fact->releaseC ?? $this->releaseC,
            $this->releaseWay,
            $this->bonds,
            $this->gap,
            [...$this->treatments, $fact->agentId ?? '' => new Treatment(
                $fact->agentId,
                $fact->role,
                $fact->hold,
                $fact->release,
                $fact->barrier,
                $ours?->note,
                basis: Basis::Shop,
                shop: $fact,
            )],
            $this->cautions,
            $this->basis,
            $this->gapMm,
        );
    }

    /**
     * The pair as a maker's chart has it. Where the chart gives no temperature it is the material's own range, as far as the
     * surface stands it, started from in the middle (our own choice).
     *
     * @param self|null $known what earlier lines of charts say of it, bare first
     *
     * @throws BadCatalogue if the window is no window, lies above what the surface stands, or is another than in the line before
     */
    public static function ofChart(ChartLine $line, Material $material, Surface $surface, ?self $known): self
    {
        $window = $line->window ?? $known->window ?? self::usualOf($material, $surface);
        if (Axis::Celsius === $window->axis && null !== $surface->limitC && $window->high > $surface->limitC) {
            throw BadCatalogue::beyondLimit($window->high, $surface->limitC);
        }
        if ($material->filament !== (Axis::Celsius === $window->axis)) {
            throw BadCatalogue::axis($material->id, $surface->id);
        }
        if (null !== $known && !$known->window->same($window)) {
            throw BadCatalogue::otherWindow();
        }
        $bare = null === $line->agentId;
        $bonds = $known->bonds ?? false;
        $note = '' === $line->note ? null : new CatalogueText("treatment.$line->materialId/$line->surfaceId/".($line->agentId ?? 'bare').'.note', $line->note);
        $yes = $line->says->worthATry();

        return new self(
            $line->materialId,
            $line->surfaceId,
            $window,
            $line->releaseC ?? $known?->releaseC,
            $surface->releaseWay,
            $bonds || ($bare && ChartWord::BondsForGood === $line->says),
            null,
            [...$known->treatments ?? [], $line->agentId ?? '' => new Treatment(
                $line->agentId,
                match (true) {
                    $bare => AgentRole::None,
                    !$yes => AgentRole::Harmful,
                    default => $bonds ? AgentRole::Release : AgentRole::Grip,
                },
                $line->says->holds(),
                $line->says->letsGo(),
                // What a chart recommends on a pair that bonds bare is recommended as what keeps them apart.
                $bonds && !$bare && $yes,
                $note,
                basis: Basis::MakerGuidance,
            )],
            [],
            Basis::MakerGuidance,
        );
    }

    /** @throws BadCatalogue if the surface does not stand what the material wants */
    private static function usualOf(Material $material, Surface $surface): Window
    {
        [$low, $high] = $material->bedC ?? throw BadCatalogue::noWindow();
        if (null !== $surface->limitC && $low > $surface->limitC) {
            throw BadCatalogue::beyondLimit($low, $surface->limitC);
        }
        $high = min($high, $surface->limitC ?? \INF);

        return new Window($low, ($low + $high) / 2, $high);
    }

    /** A pair that the catalogue has nothing on. */
    public static function ofShop(ShopFact $fact, Window $window, CatalogueText $releaseWay): self
    {
        return (new self($fact->materialId, $fact->surfaceId, $window, $fact->releaseC, $releaseWay, false, null, [], [], Basis::Shop))->with($fact);
    }
}
