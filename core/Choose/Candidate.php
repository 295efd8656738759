<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Treatment;

/** A proposal that passed the gates, with where to run it and what to expect. */
final readonly class Candidate
{
    /**
     * @param list<string> $gradeNotes what moved the grades of practice for this job
     * @param list<string> $missed     wishes that it does not meet
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
            null === $proposal->side->costPerPrint || (null !== $treatment->agentId && null === $agentCost) ? null : $proposal->side->costPerPrint + ($agentCost ?? 0.0),
            $notes,
            $job->wishes->missedBy($proposal->surface),
            $near['longestMinutes'],
            $near['mostParts'],
            [] !== $near['hold'] || [] !== $near['release'],
        );
    }

    public function label(): string
    {
        return $this->proposal->side->label.', '.$this->proposal->agentName();
    }

    /** @return list<string> why it stands where it stands, the most telling first */
    public function reasons(): array
    {
        $job = $this->proposal->job;
        $agent = $this->proposal->agent;
        $reasons = [
            'Hold: '.$this->hold->sentence('held'),
            'Release: '.$this->release->sentence('came off cleanly'),
        ];
        if (null !== $agent) {
            $reasons[] = \sprintf('%s %s.%s', ucfirst($agent->name), $this->treatment->role->words(), null === $this->treatment->note ? '' : ' '.$this->treatment->note);
        } elseif (null !== $this->treatment->note) {
            $reasons[] = $this->treatment->note;
        }
        array_push($reasons, ...$this->target->reasons, ...$this->gradeNotes, ...$this->missed);
        if ($job->partCount > 1) {
            $reasons[] = \sprintf('%d parts share the plate: every one is another chance to lose it, so the chance for all is lower than for one.', $job->partCount);
        }
        if (Enclosure::No !== $job->material->enclosure && !$job->printer->enclosed) {
            $reasons[] = \sprintf('%s wants an enclosure, and %s has none: expect warp, keep drafts away.', $job->material->name, $job->printer->name);
        }
        array_push($reasons, ...$this->beyondEvidence());
        $shop = $this->treatment->shop;
        $reasons[] = null === $shop
            ? \sprintf('Window and grades rest on %s.', $this->treatment->basis->words())
            : \sprintf('The grades are the word of this shop (%s, %s): %s', $shop->who, $shop->when, $shop->why);

        return $reasons;
    }

    /** @return list<string> to see to before printing */
    public function heeds(): array
    {
        $job = $this->proposal->job;
        $side = $this->proposal->side;
        $surface = $this->proposal->surface;
        $nozzle = $job->firstLayerNozzleC();

        return array_values(array_filter([
            null === $this->pairing->gap ? null : 'First-layer gap: '.$this->pairing->gap,
            ...$this->offset(),
            '' === $side->slicerType ? null : \sprintf('Pick the plate type "%s" in the slicer before slicing.', $side->slicerType),
            $job->printer->looksForMark && !$side->marked ? \sprintf('%s looks for a mark, and %s has none: it stops with a warning; check the plate and dismiss it.', $job->printer->name, $side->plateId === $side->label ? $side->label : strtok($side->label, ' ')) : null,
            $job->printer->looksForMark && $side->marked && 'pattern' === $surface->finish ? \sprintf('%s may misread the pattern of this plate as a wrong mark.', $job->printer->name) : null,
            null === $surface->alcoholMaxPercent ? null : \sprintf('Clean with alcohol of at most %.0f %%.', $surface->alcoholMaxPercent),
            \in_array('alcohol', $surface->harmedBy, true) ? 'No alcohol on this surface: soap only.' : null,
            null !== $surface->nozzleLimitC && null !== $nozzle && $nozzle > $surface->nozzleLimitC - 10 ? \sprintf('Keep the nozzle at %.0f °C or less in the first layer.', $surface->nozzleLimitC) : null,
            $this->proposal->foothold()->helps() && !$job->foothold->helps() ? 'This surface needs a raft: slice with one.' : null,
            null !== $job->printer->plateHoldsToMmS && !$side->magnetic ? \sprintf('Held otherwise than by magnets: no faster than %.0f mm/s here.', $job->printer->plateHoldsToMmS) : null,
        ]));
    }

    /** @return list<string> */
    public function cautions(): array
    {
        return array_values(array_unique([
            ...$this->pairing->cautions,
            ...$this->proposal->surface->cautions,
            ...(null === $this->proposal->agent?->hazard ? [] : [$this->proposal->agent->hazard]),
            ...($this->proposal->job->material->fumes ? ['This material gives off fumes: ventilate or filter.'] : []),
        ]));
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

    /** @return list<string> */
    private function beyondEvidence(): array
    {
        $job = $this->proposal->job;
        if (!$this->ownRuns) {
            return [];
        }

        return array_values(array_filter([
            null !== $job->minutes && null !== $this->longestMinutes && $job->minutes > $this->longestMinutes
                ? \sprintf('Own runs went up to %.0f min; this job takes %.0f min. A short test does not clear a long job.', $this->longestMinutes, $job->minutes) : null,
            $job->partCount > $this->mostParts
                ? \sprintf('Own runs had at most %d part%s on the plate; this job has %d.', $this->mostParts, 1 === $this->mostParts ? '' : 's', $job->partCount) : null,
        ]));
    }

    /** @return list<string> what the change of plate does to the first-layer offset */
    private function offset(): array
    {
        $job = $this->proposal->job;
        $now = $job->lyingThere;
        $side = $this->proposal->side;
        if (!$job->material->filament || null === $now || $now->plateId === $side->plateId) {
            return [];
        }
        $thicker = null === $now->thicknessMm() || null === $side->thicknessMm() ? null : $side->thicknessMm() - $now->thicknessMm();
        $change = null === $thicker ? '' : \sprintf(' It is %.2f mm %s than %s.', abs($thicker), $thicker >= 0 ? 'thicker' : 'thinner', $now->label);

        return match ($job->printer->probe) {
            ProbeKind::Touch => ['The probe touches the surface and follows the new plate by itself; check the first lines all the same.'],
            ProbeKind::ByHand => ['Set the gap again with the feeler you always use.'.$change],
            ProbeKind::Inductive => [null === $side->aboveMetalMm() || null === $now->aboveMetalMm()
                ? 'The probe senses metal, not the surface: set the offset again by hand.'
                : \sprintf('The probe senses metal, not the surface: raise the first-layer offset by hand by %+.2f mm against %s.', $side->aboveMetalMm() - $now->aboveMetalMm(), $now->label)],
        };
    }

    /** @return array{Grade, Grade, list<string>} hold, release, and what moved them */
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
            $notes[] = 'A full plate: practice found it to hold less well than a single part here.';
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
                $notes[] = \sprintf('A delicate part (%s) holds less well without brim or ears.', implode('; ', $delicate));
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
