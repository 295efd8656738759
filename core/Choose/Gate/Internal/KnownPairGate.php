<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** Practice has nothing to say on the pair, so there is neither window nor expectation. */
final readonly class KnownPairGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return null === $proposal->pairing
            ? Sentence::of('gate.unknown_pair', material: $proposal->job->material->name, surface: $proposal->surface->name)
            : null;
    }
}
