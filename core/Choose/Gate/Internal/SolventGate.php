<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Sentence;

/** What the agent brings attacks the surface. */
final readonly class SolventGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        foreach ($proposal->agent->solvents ?? [] as $solvent) {
            if (\in_array($solvent, $proposal->surface->harmedBy, true)) {
                return Sentence::of(
                    'gate.solvent',
                    agent: $proposal->agentName(),
                    solvent: new CatalogueText("cleaner.$solvent.short", $solvent),
                    surface: $proposal->surface->name,
                );
            }
        }

        return null;
    }
}
