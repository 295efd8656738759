<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Platform\Words\Wording;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\ShopSettings;
use App\Test\Comparison;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\OwnFactors;
use Sitzplatz\Test\Question\Grid;
use Sitzplatz\Test\Question\PlanQuestion;
use Sitzplatz\Test\Question\PlanStart;
use Sitzplatz\Test\Question\SetupDraft;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The setups that would answer a question, from what was picked, what lies on the bench, or what looks best there. */
final readonly class PlanBeginning
{
    /** Where nobody picked any: what is known best, and what looks as good. */
    private const COMPARED = 2;

    public function __construct(
        private EntityManagerInterface $entities,
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private SidesToday $sides,
        private AgentsOnShelf $agents,
        private OwnRunsRepository $ownRuns,
        private ShopSettings $settings,
        private CurrentUser $current,
        private Wording $wording,
    ) {
    }

    /** @param array<string, mixed> $body */
    public function lot(array $body): ?Lot
    {
        $id = $body['lotId'] ?? (isset($body['materialId']) ? null : $this->current->get()->bench()['lotId'] ?? null);
        if (null !== $id) {
            return $this->edit->reference(Lot::class, $id, 'lotId');
        }

        return $this->entities->getRepository(Lot::class)->findOneBy(
            ['retired' => false] + (isset($body['materialId']) ? ['materialId' => $body['materialId']] : []),
            ['openedOn' => 'DESC', 'id' => 'DESC'],
        );
    }

    /** That of the bench where it prints the lot, else the first that does. */
    public function printer(?string $id, Lot $lot): ?Printer
    {
        $kind = $this->shop->get()->material($lot->materialId)->filament ? Printer::FILAMENT : Printer::RESIN;
        if (null !== $id) {
            return $this->edit->reference(Printer::class, $id, 'printerId');
        }
        $bench = $this->current->get()->bench()['printerId'] ?? null;
        $printers = $this->entities->getRepository(Printer::class)->findBy(['retired' => false, 'kind' => $kind], ['name' => 'ASC']);
        usort($printers, static fn (Printer $a, Printer $b): int => ($b->id->toRfc4122() === $bench) <=> ($a->id->toRfc4122() === $bench));

        return $printers[0] ?? null;
    }

    /** How a comparison was set up on this printer last, as nobody changes that without need. */
    public function before(Printer $printer): ?Comparison
    {
        return $this->entities->getRepository(Comparison::class)->findOneBy(['printer' => $printer], ['createdAt' => 'DESC', 'id' => 'DESC']);
    }

    /**
     * @param list<array<string, mixed>> $given     setups by hand, in the form in which a plan is sent
     * @param bool                       $asTheyAre they stay; only the rest of the plan is laid out anew
     * @param float|null                 $gapMm     as it is held constant
     * @param array<string, mixed>|null  $combine   levels of each factor, of which every combination is made
     *
     * @return array{list<array<string, mixed>>, list<Phrase>} the setups, and why others were left out
     */
    public function setups(
        PlanQuestion $question,
        Lot $lot,
        Printer $printer,
        float $roomC,
        array $given,
        bool $asTheyAre,
        ?float $gapMm,
        ?array $combine = null,
    ): array {
        $catalogue = $this->shop->get();
        $job = new JobRequest($catalogue->material($lot->materialId), $printer->facts($catalogue), $roomC, $lot->id->toRfc4122());
        $stock = $this->agents->byKind();
        $drafts = null === $combine
            ? array_map(self::draft(...), $given)
            : $this->usualBeds(self::combined($combine), $job, $printer, $stock);
        if ([] === $drafts && null === $combine) {
            $drafts = $this->best($job, $printer, $stock);
        }
        if ([] === $drafts) {
            return [[], [Sentence::of('plan.nothing_fits', lot: new OwnText($lot->label), printer: new OwnText($printer->name))]];
        }
        if (!$asTheyAre) {
            $drafts = $question->setups($this->start($drafts, $job, $printer, $stock, $lot, $gapMm));
        }
        $setups = $left = [];
        foreach ($drafts as $draft) {
            $side = $this->entities->find(PlateSide::class, $draft->sideId);
            $agent = null === $draft->agentId ? null : $this->entities->find(AgentStock::class, $draft->agentId);
            $refusal = $asTheyAre || null === $side ? null : $this->refusal($this->ofLot($job, $draft->lotId), $side, $agent, $draft);
            if (null === $refusal) {
                $setups[] = self::input($draft);
            } else {
                $left[] = Sentence::of('plan.left_out', setup: self::name($draft, $side, $agent), why: $refusal);
            }
        }

        if (null !== $combine) {
            try {
                Grid::fits(\count($setups));
            } catch (BadPlan $bad) {
                throw Problem::invalid($bad->field, $bad->sentence, previous: $bad);
            }
        }

        return [$setups, $left];
    }

    /**
     * What is held constant because of the plates: by what they are held, and with what they are cleaned.
     *
     * @param list<array<string, mixed>> $setups in the form in which a plan is sent
     *
     * @return array<string, Phrase>
     */
    public function ofPlates(array $setups): array
    {
        $holds = $cleaners = [];
        foreach ($setups as $setup) {
            $side = $this->entities->find(PlateSide::class, $setup['plateSideId']);
            if (null !== $side) {
                $holds[$side->plate->heldBy->value] = $side->plate->heldBy->words();
                $cleaner = $this->shop->get()->surface($side->current()->surfaceId)->cleaners[0] ?? null;
                $cleaners[$cleaner ?? ''] = null === $cleaner ? null : CatalogueText::ofCleaner($cleaner);
            }
        }
        $cleaners = array_filter($cleaners);

        return [
            ...([] === $holds ? [] : ['holdDown' => Listing::of(array_values($holds), Joined::Comma)]),
            ...([] === $cleaners ? [] : ['cleaning' => Listing::of(array_values($cleaners), Joined::Comma)]),
        ];
    }

    /** Nobody is led into what would cost a plate: whoever wants it picks it. */
    private function refusal(JobRequest $job, PlateSide $side, ?AgentStock $agent, SetupDraft $draft): ?Sentence
    {
        $catalogue = $this->shop->get();
        $facts = $side->facts($catalogue);

        return SetupCheck::refuses($catalogue, $job, $facts, $agent?->kindId, $draft->bedFirstC, $draft->bedOtherC)
            ?? (SetupCheck::risks($catalogue, $job, $facts, $agent?->kindId, $draft->bedFirstC)[0]->reason ?? null);
    }

    /**
     * @param array<string, mixed> $levels
     *
     * @return list<SetupDraft>
     */
    private static function combined(array $levels): array
    {
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;
        try {
            return Grid::of(
                $levels['sides'],
                $levels['agents'],
                array_values(array_map($number, $levels['bedsC'])),
                array_values(array_map(floatval(...), $levels['speedsMmS'])),
                $levels['lots'],
            );
        } catch (BadPlan $bad) {
            throw Problem::invalid($bad->field, $bad->sentence, previous: $bad);
        }
    }

    /**
     * Where nobody said a bed temperature or an exposure, what Choose would set for the pair.
     *
     * @param list<SetupDraft>          $drafts
     * @param array<string, AgentStock> $stock  by kind
     *
     * @return list<SetupDraft>
     */
    private function usualBeds(array $drafts, JobRequest $job, Printer $printer, array $stock): array
    {
        $usual = [];
        $wanted = array_column($drafts, null, 'sideId');
        $sides = array_values(array_filter($this->sides->all($printer), static fn (SideFacts $side): bool => isset($wanted[$side->id])));
        foreach (array_unique(array_map(static fn (SetupDraft $draft): ?string => $draft->lotId, $drafts)) as $lotId) {
            foreach ($this->ranked($this->ofLot($job, $lotId), $sides, $stock) as $candidate) {
                $agent = $candidate->proposal->agent;
                $agentId = null === $agent ? '' : $stock[$agent->id]->id->toRfc4122();
                $usual[$lotId.'/'.$candidate->proposal->side->id.'/'.$agentId] = $candidate->target;
            }
        }

        return array_map(static function (SetupDraft $draft) use ($usual, $job): SetupDraft {
            $target = $usual[$draft->lotId.'/'.$draft->sideId.'/'.$draft->agentId] ?? null;

            return match (true) {
                null === $target || null !== $draft->bedFirstC || $draft->unheated => $draft,
                !$job->material->filament && null !== $target->at => $draft->with(exposureS: $target->at),
                null !== $target->displayC => $draft->atBed($target->displayC),
                default => $draft,
            };
        }, $drafts);
    }

    /** The same job with another lot, maybe of another material. */
    private function ofLot(JobRequest $job, ?string $lotId): JobRequest
    {
        $lot = null === $lotId ? null : $this->edit->reference(Lot::class, $lotId, 'lotId');

        return null === $lot ? $job : new JobRequest($this->shop->get()->material($lot->materialId), $job->printer, $job->roomC, $lotId);
    }

    /**
     * @param list<SideFacts>           $sides
     * @param array<string, AgentStock> $stock by kind
     *
     * @return list<Candidate>
     */
    private function ranked(JobRequest $job, array $sides, array $stock): array
    {
        $catalogue = $this->shop->get();
        $agents = array_values(array_map(static fn (AgentStock $each) => $each->facts(), $stock));

        return Ranking::of($catalogue, $job, $sides, $agents, $this->ownRuns->experience($job->material->id))->candidates;
    }

    /**
     * @param non-empty-list<SetupDraft> $drafts
     * @param array<string, AgentStock>  $stock  by kind
     */
    private function start(array $drafts, JobRequest $job, Printer $printer, array $stock, Lot $lot, ?float $gapMm): PlanStart
    {
        $catalogue = $this->shop->get();
        $first = $drafts[0];
        $side = $this->entities->find(PlateSide::class, $first->sideId);
        $pairing = null === $side ? null : $catalogue->pairing($lot->materialId, $side->current()->surfaceId);
        $candidates = null === $side ? [] : $this->ranked($job, [$this->sides->one($printer, $side)], $stock);
        $above = 0.0;
        $grip = [];
        foreach ($candidates as $candidate) {
            if (null !== $candidate->target->displayC && null !== $candidate->target->at) {
                $above = $candidate->target->displayC - $candidate->target->at;
            }
            if (AgentRole::Grip === $candidate->treatment->role && isset($stock[$candidate->treatment->agentId ?? ''])) {
                $grip[] = $stock[$candidate->treatment->agentId ?? '']->id->toRfc4122();
            }
        }
        $others = array_values(array_filter(
            $this->entities->getRepository(Lot::class)->findBy(['materialId' => $lot->materialId, 'retired' => false], ['openedOn' => 'DESC', 'id' => 'DESC']),
            static fn (Lot $each): bool => $each !== $lot,
        ));

        return new PlanStart(
            array_map(fn (SetupDraft $draft): SetupDraft => $this->exposed($draft, $lot), $drafts),
            $pairing,
            $above,
            $gapMm,
            $grip,
            array_map(static fn (Lot $each): string => $each->id->toRfc4122(), $others),
            $this->wording->text(Sentence::of('plan.brim', width: Quantity::millimetres(FootholdAdvice::BRIM_MM))),
            $this->settings->ladder(),
            $job->roomC,
        );
    }

    /** A resin starts at the exposure that practice has for its plate. */
    private function exposed(SetupDraft $draft, Lot $lot): SetupDraft
    {
        $catalogue = $this->shop->get();
        if ($catalogue->material($lot->materialId)->filament || null !== $draft->own->exposureS) {
            return $draft;
        }
        $side = $this->entities->find(PlateSide::class, $draft->sideId);
        $window = null === $side ? null : $catalogue->pairing($lot->materialId, $side->current()->surfaceId)?->window;

        return null === $window ? $draft : $draft->with(exposureS: $window->target);
    }

    /**
     * @param array<string, AgentStock> $stock by kind
     *
     * @return list<SetupDraft> what lies on the bench first, where it may be tried
     */
    private function best(JobRequest $job, Printer $printer, array $stock): array
    {
        $bench = $this->current->get()->bench();
        $candidates = $this->ranked($job, $this->sides->all($printer), $stock);
        $rank = static fn (Candidate $each): int => $each->proposal->side->id === ($bench['plateSideId'] ?? null) ? 0 : 1;
        $order = array_keys($candidates);
        usort($order, static fn (int $a, int $b): int => [$rank($candidates[$a]), $a] <=> [$rank($candidates[$b]), $b]);
        $first = isset($order[0]) ? [$order[0]] : [];

        return array_map(static function (int $at) use ($candidates, $stock): SetupDraft {
            $candidate = $candidates[$at];
            $displayC = $candidate->target->displayC;

            return new SetupDraft(
                $candidate->proposal->side->id,
                null === $candidate->proposal->agent ? null : $stock[$candidate->proposal->agent->id]->id->toRfc4122(),
                $displayC,
                null === $displayC ? null : $candidate->proposal->bedOtherC ?? $displayC,
                null === $displayC,
                $candidate->proposal->job->material->filament ? new OwnFactors() : new OwnFactors(exposureS: $candidate->target->at),
            );
        }, \array_slice(array_values(array_unique([...$first, ...array_keys($candidates)])), 0, self::COMPARED));
    }

    private static function name(SetupDraft $draft, ?PlateSide $side, ?AgentStock $agent): Phrase
    {
        return Sentence::of(
            null === $draft->bedFirstC ? 'plan.draft_unheated' : 'plan.draft',
            side: new OwnText($side?->label() ?? ''),
            agent: null === $agent ? Sentence::of('candidate.bare') : $agent->name,
            bed: Quantity::celsius($draft->bedFirstC ?? 0.0),
        );
    }

    /** @param array<string, mixed> $each */
    private static function draft(array $each): SetupDraft
    {
        $number = static fn (mixed $value): ?float => is_numeric($value) ? (float) $value : null;

        return new SetupDraft(
            $each['plateSideId'],
            $each['agentId'],
            $number($each['bedFirstC']),
            $number($each['bedOtherC']),
            $each['unheated'] ?? false,
            OwnFactors::of($each),
            $each['lotId'] ?? null,
        );
    }

    /** @return array<string, mixed> */
    private static function input(SetupDraft $draft): array
    {
        return [
            'plateSideId' => $draft->sideId,
            'agentId' => $draft->agentId,
            'bedFirstC' => $draft->bedFirstC,
            'bedOtherC' => $draft->bedOtherC,
            'unheated' => $draft->unheated,
            'lotId' => $draft->lotId,
            ...$draft->own->toArray(),
        ];
    }
}
