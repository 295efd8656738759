<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A proposal that passed the gates, with where to run it and what to expect. */
final readonly class Candidate
{
    /**
     * @param list<Sentence> $gradeNotes what moved the grades of practice for this job
     * @param list<Sentence> $missed     wishes that it does not meet
     */
    private function __construct(
        public Proposal $proposal,
        public Pairing $pairing,
        public Treatment $treatment,
        public Target $target,
        public Expectation $hold,
        public Expectation $release,
        /** Chance that the whole plate holds and every part is taken off cleanly. */
        public float $chance,
        /** Of the print in plate and agent; null: a price is not known. */
        public ?float $costPerPrint,
        public array $gradeNotes,
        public array $missed,
        private ?float $longestMinutes,
        private int $mostParts,
        private bool $ownRuns,
    ) {
    }

    public static function of(Proposal $proposal, Pairing $pairing, Treatment $treatment, Target $target, Experience $experience, ?float $agentCost): self
    {
        $job = $proposal->job;
        $near = $experience->near($proposal->side, $treatment->agentId, $job->lotId, $target->displayC ?? $job->roomC);
        [$holdGrade, $releaseGrade, $notes] = self::grades($proposal, $pairing, $treatment, $target);
        $hold = Expectation::of($holdGrade, $near['hold']);
        $release = Expectation::of($releaseGrade, $near['release']);

        return new self(
            $proposal,
            $pairing,
            $treatment,
            $target,
            $hold,
            $release,
            $hold->belief->allOf($job->partCount) * $release->belief->allOf($job->partCount),
            null === $proposal->side->costPerPrint
                || (null !== $treatment->agentId && null === $agentCost) ? null : $proposal->side->costPerPrint + ($agentCost ?? 0.0),
            $notes,
            $job->wishes->missedBy($proposal->surface),
            $near['longestMinutes'],
            $near['mostParts'],
            [] !== $near['hold'] || [] !== $near['release'],
        );
    }

    /** @return list<Phrase> why it stands where it stands, the most telling first */
    public function reasons(): array
    {
        $job = $this->proposal->job;
        $agent = $this->proposal->agent;
        $reasons = [$this->hold->sentence('hold'), $this->release->sentence('release')];
        if (null !== $agent) {
            $reasons[] = $this->proposal->withNote(Sentence::of('reason.agent', agent: $agent->name, role: $this->treatment->role->words()));
        } elseif (null !== $this->treatment->note) {
            $reasons[] = $this->treatment->note;
        }
        array_push($reasons, ...$this->target->reasons, ...$this->gradeNotes, ...$this->missed);
        if ($job->partCount > 1) {
            $reasons[] = Sentence::of('reason.many_parts', parts: Quantity::count($job->partCount));
        }
        if (Enclosure::No !== $job->material->enclosure && !$job->printer->enclosed) {
            $reasons[] = Sentence::of('reason.wants_enclosure', material: $job->material->name, printer: $job->printer->name);
        }
        array_push($reasons, ...$this->beyondEvidence());
        $shop = $this->treatment->shop;
        $reasons[] = null === $shop
            ? Sentence::of('reason.rests_on', basis: $this->treatment->basis->words())
            : Sentence::of('reason.shop_fact', who: $shop->who, day: new Day($shop->when), why: $shop->why);

        return $reasons;
    }

    /** @return list<Sentence> to see to before printing */
    public function heeds(): array
    {
        $job = $this->proposal->job;
        $side = $this->proposal->side;
        $surface = $this->proposal->surface;
        $nozzle = $job->firstLayerNozzleC();

        return array_values(array_filter([
            null === $this->pairing->gap ? null : Sentence::of('heed.gap', gap: $this->pairing->gap),
            ...$this->offset(),
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
            \in_array('alcohol', $surface->harmedBy, true) ? Sentence::of('heed.soap_only') : null,
            null !== $surface->nozzleLimitC && null !== $nozzle && $nozzle > $surface->nozzleLimitC - 10 ? Sentence::of(
                'heed.nozzle',
                limit: Quantity::celsius($surface->nozzleLimitC),
            ) : null,
            $this->proposal->foothold()->helps() && !$job->foothold->helps() ? Sentence::of('heed.raft') : null,
            null !== $job->printer->plateHoldsToMmS && !$side->magnetic ? Sentence::of(
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
        if (!$this->ownRuns) {
            return [];
        }

        return array_values(array_filter([
            null !== $job->minutes && null !== $this->longestMinutes && $job->minutes > $this->longestMinutes
                ? Sentence::of('reason.longer', longest: Quantity::minutes($this->longestMinutes), job: Quantity::minutes($job->minutes)) : null,
            $job->partCount > $this->mostParts
                ? Sentence::of('reason.fuller', most: Quantity::count($this->mostParts), parts: Quantity::count($job->partCount)) : null,
        ]));
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
            ProbeKind::Touch => Sentence::of('heed.touch_probe'),
            ProbeKind::ByHand => null === $thicker
                ? Sentence::of('heed.feeler')
                : Sentence::of($thicker >= 0 ? 'heed.feeler_thicker' : 'heed.feeler_thinner', by: Quantity::millimetres(abs($thicker)), plate: $now->label),
            ProbeKind::Inductive => null === $metal
                ? Sentence::of('heed.inductive')
                : Sentence::of($metal >= 0 ? 'heed.inductive_raise' : 'heed.inductive_lower', by: Quantity::millimetres(abs($metal)), plate: $now->label),
        }];
    }

    /** @return array{Grade, Grade, list<Sentence>} hold, release, and what moved them */
    private static function grades(Proposal $proposal, Pairing $pairing, Treatment $treatment, Target $target): array
    {
        $job = $proposal->job;
        $hold = $treatment->hold;
        $release = $treatment->release;
        $notes = [];
        if (null === $target->at && null !== $treatment->holdCold) {
            $hold = $treatment->holdCold;
        }
        if ($job->full() && null !== $treatment->holdFull) {
            $hold = $hold->worse($treatment->holdFull);
            $notes[] = Sentence::of('reason.full_plate');
        }
        $delicate = $job->part->delicate ?? [];
        if ([] !== $delicate && !$proposal->foothold()->helps()) {
            $small = $treatment->holdSmall ?? (Grade::Strong === $treatment->hold ? Grade::Fair : $treatment->hold->lowered(1));
            // An agent that is there for grip is what practice takes for such parts.
            if (AgentRole::Grip === $treatment->role && null === $treatment->holdSmall && Grade::Strong === $treatment->hold) {
                $small = Grade::Strong;
            }
            if ($small->worse($hold) === $small && $small !== $hold) {
                $hold = $small;
                $notes[] = Sentence::of('reason.delicate', why: Listing::of($delicate, Joined::Semicolon));
            }
        }
        if ($target->byHand && null !== $target->at && Axis::Celsius === $pairing->window->axis) {
            $below = $pairing->window->low - $target->at;
            $above = $target->at - $pairing->window->high;
            $hold = $below > 0 ? $hold->lowered($below > 5 ? 2 : 1) : $hold;
            $release = $above > 0 ? $release->lowered($above > 5 ? 2 : 1) : $release;
        }

        return [$hold, $release, $notes];
    }
}
