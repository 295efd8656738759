<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Gate\Stop;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\Target;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Words\Phrase;
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
    ) {
    }

    /**
     * A side for a job, with what does not depend on the agent.
     *
     * @throws BadHeat if a figure cannot be
     */
    public static function ofSide(JobRequest $job, SideFacts $side, Surface $surface, ?Pairing $pairing): self
    {
        $stack = self::stackOf($job->printer, $side);

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

    public function withAgent(?Agent $agent): self
    {
        return new self($this->job, $this->side, $this->surface, $agent, $this->pairing, $this->pairing?->treatment($agent?->id), $this->target, $this->stack);
    }

    public function agentName(): Phrase
    {
        return $this->agent->name ?? Sentence::of('candidate.bare');
    }

    public function label(): Sentence
    {
        return Sentence::of('candidate.label', side: $this->side->label, agent: $this->agentName());
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
        $note = $this->treatment?->note;

        return null === $note ? $sentence : Sentence::of('noted', sentence: $sentence, note: $note);
    }

    /** What is laid around or under the part: a surface that wants a raft gets it. */
    public function foothold(): Foothold
    {
        return $this->surface->raftRequired && !$this->job->foothold->helps() ? new Foothold(FootholdKind::Raft) : $this->job->foothold;
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

    /** @return list<Stop> */
    private static function stopsOf(JobRequest $job, SideFacts $side, Surface $surface): array
    {
        $stops = [new Stop('surface', Sentence::of('stop.surface', side: $side->label), min($surface->limitC, $side->ownLimitC ?? \INF), true)];
        $magnet = $side->magnetic ? $job->printer->magnetStandsC() : null;
        if (null !== $magnet) {
            $stops[] = new Stop('magnet', Sentence::of('stop.magnet', printer: $job->printer->name), $magnet);
        }
        if (null !== $job->printer->maxBedC) {
            $stops[] = new Stop('printer', Sentence::of('stop.printer', printer: $job->printer->name), $job->printer->maxBedC);
        }
        usort($stops, static fn (Stop $a, Stop $b): int => $a->atC <=> $b->atC);

        return $stops;
    }

    /** @throws BadHeat if a figure cannot be */
    private static function stackOf(PrinterFacts $printer, SideFacts $side): ?Stack
    {
        if (null === $printer->maxBedC || [] === $printer->bed || [] === $side->layers) {
            return null;
        }
        $stack = new Stack([...$printer->bed, ...$side->layers], $printer->bedWidthMm, $printer->bedDepthMm, 1.0, $printer->displayReadsHighK);
        $measured = $side->measured;

        return null === $measured ? $stack : $stack->calibrated($measured->displayC, $measured->surfaceC, $measured->roomC);
    }
}
