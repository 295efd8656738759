<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The surface wants a raft and the part cannot have one. */
final readonly class RaftGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        return $proposal->surface->raftRequired && true === $proposal->job->part?->articulated
            ? \sprintf('%s wants a raft, which would lock an articulated part.', ucfirst($proposal->surface->name))
            : null;
    }
}
