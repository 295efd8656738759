<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The first-layer nozzle is hotter than the surface stands. */
final readonly class NozzleGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $limit = $proposal->surface->nozzleLimitC;
        $material = $proposal->job->material;
        $coolest = $proposal->job->nozzleC ?? ($material->nozzleC[0] ?? null);

        return null === $limit || null === $coolest || $coolest <= $limit
            ? null
            : \sprintf('The first layer needs a nozzle of %.0f °C; %s stands %.0f °C.', $coolest, $proposal->side->label, $limit);
    }
}
