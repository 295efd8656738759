<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** What the agent brings attacks the surface. */
final readonly class SolventGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        foreach ($proposal->agent->solvents ?? [] as $solvent) {
            if (\in_array($solvent, $proposal->surface->harmedBy, true)) {
                return \sprintf('%s brings %s, and that attacks %s.', ucfirst($proposal->agentName()), $solvent, $proposal->surface->name);
            }
        }

        return null;
    }
}
