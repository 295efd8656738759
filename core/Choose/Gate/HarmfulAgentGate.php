<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The agent spoils the surface or the result. */
final readonly class HarmfulAgentGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        if (null === $proposal->agent || AgentRole::Harmful !== $proposal->treatment?->role) {
            return null;
        }

        return \sprintf('%s does harm on %s.%s', ucfirst($proposal->agent->name), $proposal->surface->name, null === $proposal->treatment->note ? '' : ' '.$proposal->treatment->note);
    }
}
