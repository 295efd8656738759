<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Gate\Stop;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\SeatStacks;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A side with an agent (or bare) for a job, before the gates. */
final readonly class Proposal
{
    public function __construct(
        public JobRequest $job,
        public SideFacts $side,
        public Surface $surface,
        public ?Agent $agent,
        public ?Pairing $pairing,
        public ?Treatment $treatment,
        /** Null without a pairing. */
        public ?Target $target = null,
        /** Null: the layers of printer or plate are not known. */
        public ?Stack $stack = null,
        /** The bed stays off though it could be heated. */
        public bool $off = false,
        /** What the display is set to after the first layer, where that was proven; null: as in the first layer. */
        public ?float $bedOtherC = null,
        /** At a setting that was printed often here, beside what practice sets. */
        public bool $often = false,
    ) {
    }

    /**
     * A side for a job, with what does not depend on the agent.
     *
     * @throws BadHeat if a figure cannot be
     */
    public static function ofSide(JobRequest $job, SideFacts $side, Surface $surface, ?Pairing $pairing, ?SeatStacks $stacks = null): self
    {
        $stack = ($stacks ?? new SeatStacks($job->printer))->of($side);

        return new self(
            $job,
            $side,
            $surface,
            null,
            $pairing,
            $pairing?->treatment(null),
            null === $pairing ? null : Target::of($job, $pairing, self::stopsOf($job, $side, $surface), $stack),
            $stack,
        );
    }

    /** What the surface has once the bed is set back after the first layer, °C; null: unheated. */
    public function surfaceLaterC(Target $target): ?float
    {
        $later = $this->bedOtherC ?? $this->job->file->bedLaterC;

        return null === $target->at || null === $later || null === $target->displayC || $later >= $target->displayC
            ? $target->at : max($this->job->roomC, $target->at - ($target->displayC - $later));
    }

    public function withAgent(?Agent $agent): self
    {
        $target = $this->target;
        // An agent that grips from some heat on takes the target along, as far as window and limits go.
        if (null !== $agent?->gripsC && null !== $this->pairing && null !== $target?->at && $target->at < $agent->gripsC && !$target->byHand) {
            $target = Target::of($this->job, $this->pairing, $this->stops(), $this->stack, fromC: $agent->gripsC);
        }

        return new self($this->job, $this->side, $this->surface, $agent, $this->pairing, $this->pairing?->treatment($agent?->id), $target, $this->stack);
    }

    /** The same at the setting that was proven, unless somebody asked for another or it passes a limit by now. */
    public function asProven(?ProvenSeat $seat): self
    {
        if (null !== $seat?->exposureS && null !== $this->target && !$this->job->material->filament) {
            return $this->set($this->target->exposed($seat->exposureS), false, null);
        }
        if (null === $seat?->bedC || null === $this->pairing || null !== $this->job->bedC || null === $this->job->printer->maxBedC) {
            return $this;
        }
        $target = Target::of($this->job->with(bedC: $seat->bedC), $this->pairing, $this->stops(), $this->stack);

        return null !== $target->refusal ? $this : $this->set($target->asProven($this->target), false, $seat->thenC());
    }

    /**
     * The same at a setting that was printed often here; null where somebody asked for another, or it passes a limit by now.
     *
     * @param float|null $at on the display, °C, or exposure of a resin, s
     */
    public function asOften(?float $at): ?self
    {
        if (null === $at || null === $this->target || null === $this->pairing || null !== $this->job->bedC) {
            return null;
        }
        $target = $this->job->material->filament
            ? Target::of($this->job->with(bedC: $at), $this->pairing, $this->stops(), $this->stack)
            : $this->target->exposed($at);

        return null !== $target->refusal ? null : $this->set($target->asOften($this->target), false, null, true);
    }

    /** The same with the display at so much, unless it passes a limit. */
    public function atBed(float $bedC): self
    {
        $target = null === $this->pairing ? null : Target::of($this->job->with(bedC: $bedC), $this->pairing, $this->stops(), $this->stack);

        return null === $target || null !== $target->refusal ? $this : $this->set($target, false, null);
    }

    /** The same with another setting after the first layer. */
    public function then(?float $bedOtherC): self
    {
        return $this->set($this->target, $this->off, $bedOtherC);
    }

    /** The same with the bed left off; null where practice does not run the surface or the pair so, or somebody asked for a bed temperature. */
    public function withBedOff(): ?self
    {
        $cold = $this->treatment?->holdCold;
        $asked = null === $this->job->printer->maxBedC || null !== $this->job->bedC;
        if ($asked || !$this->surface->worksCold || null === $cold || Grade::Never === $cold || null === $this->pairing) {
            return null;
        }

        return $this->set(Target::of($this->job, $this->pairing, $this->stops(), $this->stack, true), true, null);
    }

    public function agentName(): Phrase
    {
        return $this->agent->name ?? Sentence::of('candidate.bare');
    }

    public function label(): Sentence
    {
        return match (true) {
            $this->off => Sentence::of('candidate.label_off', side: $this->side->label, agent: $this->agentName()),
            $this->often => Sentence::of('candidate.label_at', side: $this->side->label, agent: $this->agentName(), at: $this->setting()),
            default => Sentence::of('candidate.label', side: $this->side->label, agent: $this->agentName()),
        };
    }

    private function setting(): Quantity
    {
        return null === $this->target?->displayC ? Quantity::seconds($this->target->at ?? 0.0, 0.1) : Quantity::celsius($this->target->displayC);
    }

    /** The material on the surface, bare or with the agent. */
    public function pairWords(): Sentence
    {
        return null === $this->agent
            ? Sentence::of('pair.bare', material: $this->job->material->name, surface: $this->surface->name)
            : Sentence::of('pair.with', material: $this->job->material->name, surface: $this->surface->name, agent: $this->agent->name);
    }

    /** The sentence with what the catalogue notes on this way of use behind it. */
    public function withNote(Sentence $sentence): Sentence
    {
        $note = $this->treatment?->noteAt(null !== $this->target && null === $this->target->at);

        return null === $note ? $sentence : Sentence::of('noted', sentence: $sentence, note: $note);
    }

    /** What is laid around or under the part: as asked for, else as advised; a surface that wants a raft takes nothing else. */
    public function foothold(): Foothold
    {
        $part = $this->job->part;

        return match (true) {
            $this->surface->raftRequired => new Foothold(FootholdKind::Raft),
            null !== $this->job->foothold => $this->job->foothold,
            null === $part => Foothold::none(),
            default => FootholdAdvice::foothold($part, $this->job->partCount, $this->surface, $this->job->material, $this->job->reachesTheEdge()),
        };
    }

    /**
     * What is to be done to the side before printing.
     *
     * @return list<Step>
     */
    public function steps(): array
    {
        $strip = null === $this->side->stripFirst ? [] : [new Step(
            'strip_bed',
            Sentence::of('step.strip_bed', plate: $this->side->stripFirst, minutes: Quantity::minutes(PlateBuild::STRIP_MINUTES)),
            0.0,
        )];

        return [...$strip, ...$this->side->state->steps($this->surface, $this->agent, true === $this->pairing?->bonds && true === $this->treatment?->barrier)];
    }

    /**
     * The limits on the bed scale, nearest first.
     *
     * @return list<Stop>
     */
    public function stops(): array
    {
        return self::stopsOf($this->job, $this->side, $this->surface);
    }

    private function set(?Target $target, bool $off, ?float $bedOtherC, bool $often = false): self
    {
        return new self(
            $this->job,
            $this->side,
            $this->surface,
            $this->agent,
            $this->pairing,
            $this->treatment,
            $target,
            $this->stack,
            $off,
            $bedOtherC,
            $often,
        );
    }

    /** @return list<Stop> */
    private static function stopsOf(JobRequest $job, SideFacts $side, Surface $surface): array
    {
        $stands = $side->standsC($surface);
        $stops = null === $stands ? [] : [Stop::surface($side->label, $stands)];
        $magnet = HoldDown::Magnet === $side->heldBy ? $job->printer->magnetStandsC() : null;
        if (null !== $magnet) {
            $stops[] = Stop::magnet($job->printer->name, $magnet);
        }
        if (null !== $job->printer->maxBedC) {
            $stops[] = Stop::printer($job->printer->name, $job->printer->maxBedC);
        }
        usort($stops, static fn (Stop $a, Stop $b): int => $a->atC <=> $b->atC);

        return $stops;
    }
}
