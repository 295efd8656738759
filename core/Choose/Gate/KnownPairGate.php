<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** Practice has nothing to say, so there is neither window nor expectation. */
final readonly class KnownPairGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        if (null === $proposal->pairing) {
            return \sprintf('Practice has nothing on %s with %s: no window to start from.', $proposal->job->material->name, $proposal->surface->name);
        }

        return null === $proposal->treatment
            ? \sprintf('Practice has nothing on %s for %s on %s.', $proposal->agent->name ?? 'going bare', $proposal->job->material->name, $proposal->surface->name)
            : null;
    }
}
