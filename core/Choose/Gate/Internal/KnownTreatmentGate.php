<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** Practice has nothing to say on this agent for the pair. */
final readonly class KnownTreatmentGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return null === $proposal->treatment
            ? (null === $proposal->agent
                ? Sentence::of('gate.unknown_bare', material: $proposal->job->material->name, surface: $proposal->surface->name)
                : Sentence::of(
                    'gate.unknown_agent',
                    agent: $proposal->agent->name,
                    material: $proposal->job->material->name,
                    surface: $proposal->surface->name,
                ))
            : null;
    }
}
