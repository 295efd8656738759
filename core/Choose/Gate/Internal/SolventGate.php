<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Care\CleanerFit;
use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** What the agent brings attacks the surface. */
final readonly class SolventGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return null === $proposal->agent ? null : CleanerFit::refusesAgent($proposal->surface, $proposal->agent);
    }
}
