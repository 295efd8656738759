<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** No temperature within the window can be had. */
final readonly class TargetGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return $proposal->target?->refusal;
    }
}
