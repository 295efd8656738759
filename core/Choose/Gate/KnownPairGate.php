<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** Practice has nothing to say on the pair, so there is neither window nor expectation. */
final readonly class KnownPairGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        return null === $proposal->pairing
            ? \sprintf('Practice has nothing on %s with %s: no window to start from. Test it, or add what you know to the catalogue.', $proposal->job->material->name, $proposal->surface->name)
            : null;
    }
}
