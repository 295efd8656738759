<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/** Nothing that takes the agent off leaves the surface whole. */
final readonly class CleanerGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $agent = $proposal->agent;
        if (null === $agent || [] !== array_filter($agent->removedBy, $proposal->surface->bears(...))) {
            return null;
        }

        return Sentence::of(
            'gate.cleaner',
            agent: $agent->name,
            cleaners: Listing::of(
                array_map(CatalogueText::ofCleaner(...), $agent->removedBy),
                Joined::Or,
            ),
            surface: $proposal->surface->name,
        );
    }
}
