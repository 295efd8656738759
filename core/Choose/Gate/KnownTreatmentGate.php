<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** Practice has nothing to say on this agent for the pair. */
final readonly class KnownTreatmentGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        return null === $proposal->treatment
            ? \sprintf('Practice has nothing on %s for %s on %s.', $proposal->agent->name ?? 'going bare', $proposal->job->material->name, $proposal->surface->name)
            : null;
    }
}
