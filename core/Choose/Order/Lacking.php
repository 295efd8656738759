<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobOnPrinter;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Warp\BadWarp;

/** One kind of surface or agent that the shop lacks and that would do the job, with the best it would make. */
final readonly class Lacking
{
    /** As many as somebody weighs against each other (our own choice). */
    private const MOST = 5;
    /** What is likelier to go wrong than well is not worth the money (our own choice). */
    private const LEAST_CHANCE = 0.5;

    private function __construct(
        public Candidate $candidate,
        /** What is lacking; one of both is null. */
        public ?Surface $surface,
        public ?Agent $agent,
    ) {
    }

    /**
     * What would surely do better than the best that the shop has; where it has nothing, whatever would do.
     *
     * @param list<JobOnPrinter> $jobs   on the printers that are looked at, with the sides on the shelf
     * @param list<AgentFacts>   $agents on the shelf
     * @param Candidate|null     $best   of those; null: nothing on the shelf does
     *
     * @return list<self> the likeliest first
     *
     * @throws BadCatalogue if the catalogue has no such entry, or a bad one
     * @throws BadHeat      if a figure cannot be
     * @throws BadWarp      if a figure cannot be
     */
    public static function of(Catalogue $catalogue, array $jobs, array $agents, Experience $experience, ?Candidate $best): array
    {
        $kinds = array_column($agents, 'kindId', 'kindId');
        $bought = array_values(array_map(
            static fn (Agent $each): AgentFacts => new AgentFacts($each->id, $each->id),
            array_filter($catalogue->agents, static fn (Agent $each): bool => !isset($kinds[$each->id])),
        ));
        $has = array_column(array_merge(...array_column($jobs, 'sides')), 'surfaceId', 'surfaceId');
        $found = [];
        foreach ($jobs as $on) {
            $job = $on->job;
            $surfaces = array_filter(
                $catalogue->surfaces,
                static fn (Surface $each): bool => !isset($has[$each->id]) && $each->filament === $job->material->filament
                    && null !== $catalogue->pairing($job->material->id, $each->id),
            );
            $news = [];
            foreach ($surfaces as $surface) {
                $news[] = self::asUsual($surface, $catalogue, $job->printer);
            }
            foreach ([...Ranking::of($catalogue, $job, $news, $agents, $experience)->candidates,
                ...Ranking::of($catalogue, $job, $on->sides, $bought, $experience)->candidates] as $candidate) {
                $surface = $surfaces[$candidate->proposal->surface->id] ?? null;
                $agent = null === $surface && !isset($kinds[$candidate->treatment->agentId ?? '']) ? $candidate->proposal->agent : null;
                $what = $surface->id ?? $agent?->id;
                if (null !== $what && [] === $candidate->missed && $candidate->chance >= self::LEAST_CHANCE
                    && (null === $best || Brackets::better($candidate, $best))
                    && (!isset($found[$what]) || $found[$what]->candidate->chance < $candidate->chance)) {
                    $found[$what] = new self($candidate, $surface, $agent);
                }
            }
        }
        usort($found, static fn (self $a, self $b): int => $b->candidate->chance <=> $a->candidate->chance);

        return \array_slice($found, 0, self::MOST);
    }

    /**
     * A new plate of the kind, built as is usual, of the size of the bed.
     *
     * @throws BadCatalogue if a layer is made of nothing that is known
     * @throws BadHeat      if a figure cannot be
     */
    private static function asUsual(Surface $surface, Catalogue $catalogue, PrinterFacts $printer): SideFacts
    {
        $layers = [];
        foreach ($surface->plate as $i => [$of, $mm]) {
            $layers[] = new Layer($catalogue->layer($of), $mm, 0 === $i ? Layer::DRY_CONTACT_M2KW : 0.0);
        }
        $usual = HoldDown::usual($surface, $catalogue);
        // Where the printer has another way, it is bought for that.
        $held = [] === $printer->holds || \in_array($usual, $printer->holds, true) ? $usual
            : (array_values(array_filter($printer->holds, static fn (HoldDown $way): bool => HoldDown::Magnet !== $way))[0] ?? $usual);

        return new SideFacts(
            'new '.$surface->id,
            'new '.$surface->id,
            '',
            $surface->id,
            $printer->bedWidthMm,
            $printer->bedDepthMm,
            $held,
            layers: $layers,
            round: $printer->bedRound,
            sheetId: 'new '.$surface->id,
        );
    }
}
