<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** Nothing that takes the agent off leaves the surface whole. */
final readonly class CleanerGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $agent = $proposal->agent;
        if (null === $agent || [] !== array_diff($agent->removedBy, $proposal->surface->harmedBy)) {
            return null;
        }

        return \sprintf('%s comes off with %s only, and that attacks %s.', ucfirst($agent->name), implode(' or ', $agent->removedBy), $proposal->surface->name);
    }
}
