<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The agent spoils the surface or the result. */
final readonly class HarmfulAgentGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        if (null === $proposal->agent || AgentRole::Harmful !== $proposal->treatment?->role) {
            return null;
        }

        return $proposal->withNote(Sentence::of('gate.harmful', agent: $proposal->agent->name, surface: $proposal->surface->name));
    }
}
