<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The surface wants a raft and the part cannot have one. */
final readonly class RaftGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return $proposal->surface->raftRequired && true === $proposal->job->part?->articulated
            ? Sentence::of('gate.raft', surface: $proposal->surface->name)
            : null;
    }
}
