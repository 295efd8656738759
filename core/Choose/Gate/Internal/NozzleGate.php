<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The first-layer nozzle is hotter than the surface stands. */
final readonly class NozzleGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $limit = $proposal->surface->nozzleLimitC;
        $material = $proposal->job->material;
        $coolest = $proposal->job->nozzleC ?? ($material->nozzleC[0] ?? null);

        return null === $limit || null === $coolest || $coolest <= $limit
            ? null
            : Sentence::of('gate.nozzle', nozzle: Quantity::celsius($coolest), side: $proposal->side->label, limit: Quantity::celsius($limit));
    }
}
