<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Choose\Expectation\Influences;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Warp\BadWarp;

/** A candidate reckoned anew for a job that differs. */
final readonly class Again
{
    public function __construct(private Candidate $candidate)
    {
    }

    /**
     * Null: it is out of reach then.
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    public function with(JobRequest $job): ?Candidate
    {
        $was = $this->candidate->proposal;
        // What was proven stays at its own setting.
        if ($this->candidate->proven && null !== $this->candidate->target->displayC) {
            $job = $job->with(bedC: $job->bedC ?? $this->candidate->target->displayC);
        }
        $proposal = Proposal::ofSide($job, $was->side, $was->surface, $this->candidate->pairing)->withAgent($was->agent);
        $proposal = $was->off ? $proposal->withBedOff() : $proposal->then($was->bedOtherC);
        if (null === $proposal || null === $proposal->target || null !== $proposal->target->refusal) {
            return null;
        }

        return Candidate::of(
            $proposal,
            $this->candidate->pairing,
            $this->candidate->treatment,
            $proposal->target,
            new Influences(),
            $this->candidate->experience,
            null,
        );
    }
}
