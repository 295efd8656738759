<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** A plate for filament in a resin printer, or the other way round. */
final readonly class SurfaceKindGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return $proposal->surface->filament === $proposal->job->printer->filament
            ? null
            : Sentence::of($proposal->surface->filament ? 'gate.for_filament' : 'gate.for_resin', side: $proposal->side->label);
    }
}
