<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** No temperature within the window can be had. */
final readonly class TargetGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        return $proposal->target?->refusal;
    }
}
