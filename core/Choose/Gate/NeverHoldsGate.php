<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The pair is known not to hold in this way. */
final readonly class NeverHoldsGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        if (Grade::Never !== $proposal->treatment?->hold) {
            return null;
        }

        return \sprintf(
            '%s is known not to hold on %s %s.%s',
            $proposal->job->material->name,
            $proposal->surface->name,
            null === $proposal->agent ? 'bare' : 'with '.$proposal->agent->name,
            null === $proposal->treatment->note ? '' : ' '.$proposal->treatment->note,
        );
    }
}
