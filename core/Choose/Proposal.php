<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Catalogue\Treatment;

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
    ) {
    }

    /** The lowest of what surface and plate stand, °C. */
    public function surfaceLimitC(): float
    {
        return min($this->surface->limitC, $this->side->ownLimitC ?? \INF);
    }

    /**
     * The limits on the bed scale, nearest first.
     *
     * @return list<Stop>
     */
    public function stops(): array
    {
        $stops = [new Stop('surface', \sprintf('%s stands', $this->side->label), $this->surfaceLimitC())];
        if ($this->side->magnetic && null !== $this->job->printer->magnetLimitC) {
            $stops[] = new Stop('magnet', 'magnet', $this->job->printer->magnetLimitC);
        }
        if (null !== $this->job->printer->maxBedC) {
            $stops[] = new Stop('printer', $this->job->printer->name.' reaches', $this->job->printer->maxBedC);
        }
        usort($stops, static fn (Stop $a, Stop $b): int => $a->atC <=> $b->atC);

        return $stops;
    }
}
