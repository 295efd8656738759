<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** A plate for filament in a resin printer, or the other way round. */
final readonly class SurfaceKindGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        return $proposal->surface->filament === $proposal->job->printer->filament
            ? null
            : \sprintf('%s is a surface for %s.', $proposal->side->label, $proposal->surface->filament ? 'filament' : 'resin');
    }
}
