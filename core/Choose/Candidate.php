<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Treatment;

/** A proposal that passed the gates, with its bed temperature and what to expect. */
final readonly class Candidate
{
    /** A room below this is cold, °C (common practice). */
    public const COLD_ROOM_C = 18.0;
    /** What a cold room adds to the bed, K (common practice). */
    public const COLD_ROOM_ADDS_K = 5.0;

    private function __construct(
        public Proposal $proposal,
        public Pairing $pairing,
        public Treatment $treatment,
        /** Null: the bed is unheated and has the room's temperature. */
        public ?float $targetC,
        public Expectation $hold,
        public Expectation $release,
        /** Chance that the whole plate holds and every part is taken off cleanly. */
        public float $chance,
    ) {
    }

    public static function of(Proposal $proposal, Pairing $pairing, Treatment $treatment, Experience $experience): self
    {
        $target = self::targetC($proposal, $pairing);
        $near = $experience->near(
            $proposal->side,
            $treatment->agentId,
            $proposal->job->lotId,
            $target ?? $proposal->job->roomC,
        );
        $hold = Expectation::of($treatment->hold, $near['same']['held'], $near['same']['runs'], $near['similar']['held'], $near['similar']['runs']);
        $release = Expectation::of($treatment->release, $near['same']['clean'], $near['same']['released'], $near['similar']['clean'], $near['similar']['released']);

        return new self(
            $proposal,
            $pairing,
            $treatment,
            $target,
            $hold,
            $release,
            $hold->belief->allOf($proposal->job->partCount) * $release->belief->allOf($proposal->job->partCount),
        );
    }

    public function label(): string
    {
        return $this->proposal->side->label.', '.($this->proposal->agent->name ?? 'bare');
    }

    /** @return list<string> why it stands where it stands, the most telling first */
    public function reasons(): array
    {
        $job = $this->proposal->job;
        $reasons = [
            'Hold: '.$this->hold->sentence('held'),
            'Release: '.$this->release->sentence('came off cleanly'),
        ];
        if (null !== $this->proposal->agent) {
            $reasons[] = \sprintf('%s %s.%s', $this->proposal->agent->name, $this->treatment->role->words(), null === $this->treatment->note ? '' : ' '.$this->treatment->note);
        } elseif (null !== $this->treatment->note) {
            $reasons[] = $this->treatment->note;
        }
        if (null === $this->targetC) {
            $reasons[] = \sprintf('%s has no bed heater: the bed has the room\'s %s °C.', $job->printer->name, self::number($job->roomC));
        } elseif ($this->targetC > $this->pairing->window->targetC) {
            $reasons[] = \sprintf(
                'Cold room (%s °C): %s °C on top of the usual %s °C.',
                self::number($job->roomC),
                self::number($this->targetC - $this->pairing->window->targetC),
                self::number($this->pairing->window->targetC),
            );
        }
        if ($job->partCount > 1) {
            $reasons[] = \sprintf('%d parts share the plate: every one is another chance to lose it, so the chance for all is lower than for one.', $job->partCount);
        }
        if ($job->material->enclosureWanted && !$job->printer->enclosed) {
            $reasons[] = \sprintf('%s wants an enclosure, and %s has none: expect warp, keep drafts away.', $job->material->name, $job->printer->name);
        }
        $reasons[] = \sprintf('Window and grade rest on %s.', $this->pairing->basis->words());

        return $reasons;
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

    private static function targetC(Proposal $proposal, Pairing $pairing): ?float
    {
        $job = $proposal->job;
        if (null === $job->printer->maxBedC) {
            return null;
        }
        $target = $pairing->window->targetC;
        if ($job->roomC >= self::COLD_ROOM_C) {
            return $target;
        }

        // The addition may not lead out of the window or past a stop; the target itself has passed the gates.
        return max($target, min($target + self::COLD_ROOM_ADDS_K, $pairing->window->highC, $proposal->stops()[0]->atC));
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }
}
