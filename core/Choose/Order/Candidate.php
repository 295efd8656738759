<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\Influence;
use Sitzplatz\Choose\Expectation\Influences;
use Sitzplatz\Choose\Expectation\LastGap;
use Sitzplatz\Choose\Expectation\Moved;
use Sitzplatz\Choose\Expectation\OwnCount;
use Sitzplatz\Choose\Expectation\RunsToTell;
use Sitzplatz\Choose\Request\FeelerFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\Magnets;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\ShareOfBoth;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A proposal that passed the gates, with where to run it and what to expect. */
final readonly class Candidate
{
    /** So near nobody minds what the file sets, K. */
    private const FILE_NEAR_K = 2.0;

    /** @param list<Sentence> $missed wishes that it does not meet */
    private function __construct(
        public Proposal $proposal,
        public Pairing $pairing,
        public Treatment $treatment,
        public Target $target,
        public Expectation $hold,
        public Expectation $release,
        /** Chance that the whole plate holds and every part is taken off cleanly: the product of both. */
        public float $chance,
        /** Of the print in plate and agent; null: a price is not known. */
        public ?float $costPerPrint,
        public Moved $moved,
        public array $missed,
        /** A validated profile vouches for it, for this job. */
        public bool $proven,
        /** Up to which it is proven, where nobody said how long the job takes; null: the job is inside what was proven. */
        public ?float $provenUpToMinutes,
        /** By which it was reckoned. */
        public Experience $experience,
        /** Where several materials stand on the plate: that this one decides, and what the others would do. */
        public ?Sentence $limits = null,
    ) {
    }

    /** @throws BadWarp if a figure cannot be */
    public static function of(
        Proposal $proposal,
        Pairing $pairing,
        Treatment $treatment,
        Target $target,
        Influences $influences,
        Experience $experience,
        ?float $costPerCoat,
    ): self {
        $job = $proposal->job;
        $here = $experience->near($job, $proposal->side, $treatment->agentId, $target->setting($job->material));
        $moved = $influences->on($proposal, $treatment, $target);
        $grade = $treatment->holdAt(null === $target->at);
        [$held, $released] = $experience->chances($job)->of($proposal, $treatment, $grade, $moved);
        $hold = new Expectation($grade, $held, $here->runs, $here->held);
        $release = new Expectation($treatment->release, $released, $here->released, $here->clean);
        $seat = $experience->proven($job, $proposal->side, $treatment->agentId);
        $proven = true === $seat?->isAt($target->displayC, $job->material->filament ? null : $target->at);

        return new self(
            $proposal,
            $pairing,
            $treatment,
            $target,
            $hold,
            $release,
            $hold->chance * $release->chance,
            Wear::perPrint($proposal->side->costPerPrint, $proposal->agent, $costPerCoat, $proposal->side->surfaceId),
            $moved,
            $job->wishes->missedBy($proposal->surface, $proposal->agent),
            $proven,
            $proven ? $seat->upToMinutes : null,
            $experience,
        );
    }

    /** The same, as that of several materials on the plate which holds and lets go worst. */
    public function limitsBefore(self ...$others): self
    {
        return new self(
            $this->proposal,
            $this->pairing,
            $this->treatment,
            $this->target,
            $this->hold,
            $this->release,
            $this->chance,
            $this->costPerPrint,
            $this->moved,
            $this->missed,
            $this->proven,
            $this->provenUpToMinutes,
            $this->experience,
            [] === $others ? null : Sentence::of(
                'reason.limits',
                material: $this->proposal->job->material->name,
                others: Listing::of(array_map(static fn (self $other): Sentence => Sentence::of(
                    'reason.alone',
                    material: $other->proposal->job->material->name,
                    hold: Quantity::share($other->hold->chance),
                    release: Quantity::share($other->release->chance),
                ), array_values($others)), Joined::Comma),
            ),
        );
    }

    /** @return list<Phrase> why it stands where it stands, the most telling first */
    public function reasons(): array
    {
        return [
            $this->hold->sentence('hold'),
            $this->release->sentence('release'),
            ...array_map(static fn (Influence $each): Sentence => $each->words, $this->moved->all()),
            ...$this->notes(),
        ];
    }

    /** @return list<Phrase> what no figure shows: on the agent and the setting, on wishes, on what goes beyond what was printed, on what it all rests */
    public function notes(): array
    {
        $agent = $this->proposal->agent;
        $shop = $this->treatment->shop;

        return array_values(array_filter([
            null === $agent
                ? $this->treatment->noteAt(null === $this->target->at)
                : $this->proposal->withNote(Sentence::of('reason.agent', agent: $agent->name, role: $this->treatment->role->words())),
            ...$this->target->reasons,
            ...$this->missed,
            ...$this->label(),
            ...$this->beyondEvidence(),
            null === $shop
                ? Sentence::of('reason.rests_on', basis: $this->treatment->basis->words())
                : Sentence::of('reason.shop_fact', who: $shop->who, day: new Day($shop->when), why: $shop->why),
        ]));
    }

    /**
     * @param LastGap|null      $last    what was set when this material last held on this side of this printer; null: it never did
     * @param list<FeelerFacts> $feelers of the shop
     *
     * @return list<Phrase> to see to before printing
     */
    public function heeds(?LastGap $last, array $feelers = []): array
    {
        $job = $this->proposal->job;
        $side = $this->proposal->side;
        $surface = $this->proposal->surface;
        $nozzle = $job->firstLayerNozzleC();

        return array_values(array_filter([
            null === $this->pairing->gap ? null : Sentence::of('heed.gap', gap: $this->pairing->gap),
            $this->gapToStartFrom($last),
            $this->byFeeler($feelers),
            ...$this->offset(),
            ...$this->file(),
            $this->proposal->agent?->underside,
            $side->thinGlass() ? Sentence::of('heed.thin_glass') : null,
            null === $side->standsC($surface) && null !== $this->target->displayC ? Sentence::of('heed.limit_unknown', surface: $surface->name) : null,
            '' === $side->slicerType ? null : Sentence::of('heed.slicer', type: $side->slicerType),
            $job->printer->looksForMark && !$side->marked ? Sentence::of(
                'heed.no_mark',
                printer: $job->printer->name,
                plate: $side->plateId === $side->label ? $side->label : (string) strtok($side->label, ' '),
            ) : null,
            $job->printer->looksForMark && $side->marked && 'pattern' === $surface->finish ? Sentence::of(
                'heed.pattern_as_mark',
                printer: $job->printer->name,
            ) : null,
            null === $surface->alcoholMaxPercent ? null : Sentence::of('heed.alcohol_at_most', most: Quantity::share($surface->alcoholMaxPercent / 100)),
            !$surface->bears('alcohol') ? Sentence::of('heed.soap_only') : null,
            null !== $surface->nozzleLimitC && null !== $nozzle && $nozzle > $surface->nozzleLimitC - 10 ? Sentence::of(
                'heed.nozzle',
                limit: Quantity::celsius($surface->nozzleLimitC),
            ) : null,
            ...$this->held(),
            $surface->raftRequired ? Sentence::of('heed.raft') : null,
            null !== $job->printer->plateHoldsToMmS && HoldDown::Magnet !== $side->heldBy ? Sentence::of(
                'heed.slow',
                speed: Quantity::millimetresPerSecond($job->printer->plateHoldsToMmS),
            ) : null,
        ]));
    }

    /** @return list<Phrase> */
    public function cautions(): array
    {
        $cautions = [
            ...$this->pairing->cautions,
            ...$this->proposal->surface->cautions,
            ...(null === $this->proposal->agent?->hazard ? [] : [$this->proposal->agent->hazard]),
        ];
        $unlike = [];
        foreach ($cautions as $caution) {
            $unlike[$caution->english] ??= $caution;
        }

        return [...array_values($unlike), ...($this->proposal->job->material->fumes ? [Sentence::of('caution.fumes')] : [])];
    }

    /** That the whole plate holds and comes off cleanly. */
    public function success(): ShareOfBoth
    {
        return new ShareOfBoth($this->hold->prediction->chance, $this->release->prediction->chance);
    }

    /** Own runs at this setting, on whatever side of the kind. */
    public function alike(): OwnCount
    {
        $job = $this->proposal->job;

        return $this->experience->alike($job, $this->proposal->surface->id, $this->treatment->agentId, $this->target->setting($job->material));
    }

    /** The chance by the grades of practice alone, for a sound plate and a middling part. */
    public function practiceChance(): float
    {
        return $this->hold->grade->share() * $this->release->grade->share();
    }

    /** On what it rests: proven, own, alike, or practice. */
    public function basis(): string
    {
        return match (true) {
            $this->proven => 'proven',
            $this->hold->runs > 0 => 'own',
            $this->alike()->any() => 'alike',
            default => 'practice',
        };
    }

    /** On what it rests, in a few words. */
    public function known(): Sentence
    {
        return match ($this->basis()) {
            'proven' => null === $this->provenUpToMinutes
                ? Sentence::of('known.proven')
                : Sentence::of('known.proven_up_to', longest: Quantity::minutes($this->provenUpToMinutes)),
            'own' => Sentence::of('known.own', held: Quantity::count($this->hold->well), runs: Quantity::count($this->hold->runs)),
            'alike' => Sentence::of('known.alike', held: Quantity::count($this->alike()->held), runs: Quantity::count($this->alike()->runs)),
            default => $this->knownOfPractice(),
        };
    }

    private function knownOfPractice(): Sentence
    {
        $basis = null === $this->treatment->shop ? $this->treatment->basis->words() : Basis::Shop->words();
        $runs = [RunsToTell::ofGrade($this->hold), RunsToTell::ofGrade($this->release)];

        return null === $runs[0] || null === $runs[1]
            ? Sentence::of('known.nothing_own', basis: $basis, most: Quantity::count(RunsToTell::MOST))
            : Sentence::of('known.would_tell', basis: $basis, runs: $runs[0]->and($runs[1])->words());
    }

    /** Past its life, or with damage noted. */
    public function poorSide(): bool
    {
        return $this->proposal->side->state->worn($this->proposal->surface) || $this->proposal->side->state->damages > 0;
    }

    /** How the hold stands if a step is left out. */
    public function holdWithout(Step $step): float
    {
        return (new LogisticNormal($this->hold->prediction->chance->mean + $step->without, $this->hold->prediction->chance->variance))->share();
    }

    /** Consumables come after bare where both hold; an agent without use comes last. */
    public function consumableRank(): int
    {
        return match (true) {
            null === $this->treatment->agentId => 0,
            AgentRole::None === $this->treatment->role => 2,
            default => 1,
        };
    }

    /** @return list<Sentence> */
    private function beyondEvidence(): array
    {
        $job = $this->proposal->job;
        $made = $this->alike();
        if (!$made->any()) {
            return [];
        }

        return array_values(array_filter([
            null !== $job->minutes && null !== $made->longestMinutes && $job->minutes > $made->longestMinutes
                ? Sentence::of('reason.longer', longest: Quantity::minutes($made->longestMinutes), job: Quantity::minutes($job->minutes)) : null,
            $job->partCount > $made->mostParts
                ? Sentence::of('reason.fuller', most: Quantity::count($made->mostParts), parts: Quantity::count($job->partCount)) : null,
        ]));
    }

    /**
     * The offset to type, where nought is set by hand.
     *
     * @param list<FeelerFacts> $feelers
     */
    private function byFeeler(array $feelers): ?Sentence
    {
        $job = $this->proposal->job;
        $gapMm = $job->gapMm ?? $this->pairing->gapMm->target;

        return $job->material->filament && ProbeKind::ByHand === $job->printer->probe ? FeelerFacts::nearest($feelers, $gapMm)?->words($gapMm) : null;
    }

    /**
     * The force of the magnets against the part's pull, and against the sling of the bed.
     *
     * @return list<Sentence>
     */
    private function held(): array
    {
        $printer = $this->proposal->job->printer;
        $side = $this->proposal->side;
        $holds = HoldDown::Magnet === $side->heldBy ? $printer->magnetHoldsN : null;
        if (null === $holds) {
            return [];
        }
        $massKg = $side->massKg();
        $slides = null === $massKg ? null : Magnets::slidesFromMmS2($holds, $massKg + $this->proposal->job->partsKg());

        return array_values(array_filter([
            $holds < UsualPlan::COLD_PULL_AT_MOST_N ? Sentence::of('heed.plate_lifts', holds: Quantity::newtons($holds)) : null,
            $printer->bedMoves && null !== $slides && null !== $printer->bedAccelMmS2 && $printer->bedAccelMmS2 > $slides ? Sentence::of(
                'heed.slides',
                from: Quantity::number($slides, 100),
                set: Quantity::number($printer->bedAccelMmS2, 100),
            ) : null,
        ]));
    }

    /** What held last here, or where to begin: what welds high, to be stepped down. */
    private function gapToStartFrom(?LastGap $last): ?Sentence
    {
        $window = $this->pairing->gapMm;
        if (!$this->proposal->job->material->filament) {
            return null;
        }

        return match (true) {
            null !== $last => Sentence::of(
                'heed.last_gap',
                gap: Quantity::millimetres($last->mm),
                feeler: $last->feeler,
                day: new Day($last->on),
            ),
            null !== $this->pairing->gap || $this->pairing->bonds => Sentence::of(
                'heed.start_high',
                high: Quantity::millimetres($window->high),
                usual: Quantity::millimetres($window->target),
            ),
            default => null,
        };
    }

    /** @return list<Sentence> what the label of the lot says beside what is advised */
    private function label(): array
    {
        $label = $this->proposal->job->labelBedC;
        $at = $this->target->at;

        return null === $label || null === $at ? [] : [Sentence::of(
            'reason.label_bed',
            label: Quantity::celsius($label),
            advised: Quantity::celsius($at, 1),
            usual: Quantity::celsius($this->pairing->window->target),
        )];
    }

    /** @return list<Sentence> where the file of the job says otherwise */
    private function file(): array
    {
        $set = $this->proposal->job->file->bedC;
        $display = $this->target->displayC ?? 0.0;

        return null === $set || abs($set - $display) <= self::FILE_NEAR_K ? [] : [Sentence::of(
            'heed.file_bed',
            file: Quantity::celsius($set),
            display: null === $this->target->displayC ? Sentence::of('setup.unheated') : Quantity::celsius($display),
        )];
    }

    /** @return list<Sentence> what the change of plate does to the first-layer offset */
    private function offset(): array
    {
        $job = $this->proposal->job;
        $now = $job->lyingThere;
        $side = $this->proposal->side;
        if (!$job->material->filament || null === $now || $now->plateId === $side->plateId) {
            return [];
        }
        $thicker = null === $now->thicknessMm() || null === $side->thicknessMm() ? null : $side->thicknessMm() - $now->thicknessMm();
        $metal = null === $side->aboveMetalMm() || null === $now->aboveMetalMm() ? null : $side->aboveMetalMm() - $now->aboveMetalMm();

        return [match ($job->printer->probe) {
            ProbeKind::Touch => Sentence::of('heed.nozzle_probe'),
            ProbeKind::Pin => Sentence::of('heed.touch_probe'),
            ProbeKind::ByHand => null === $thicker
                ? Sentence::of('heed.feeler')
                : Sentence::of($thicker >= 0 ? 'heed.feeler_thicker' : 'heed.feeler_thinner', by: Quantity::millimetres(abs($thicker)), plate: $now->label),
            ProbeKind::Inductive => null === $metal
                ? Sentence::of('heed.inductive')
                : Sentence::of($metal >= 0 ? 'heed.inductive_raise' : 'heed.inductive_lower', by: Quantity::millimetres(abs($metal)), plate: $now->label),
        }];
    }
}
