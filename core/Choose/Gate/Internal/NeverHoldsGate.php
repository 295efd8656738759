<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The pair is known not to hold in this way. */
final readonly class NeverHoldsGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        if (Grade::Never !== $proposal->treatment?->hold) {
            return null;
        }

        return $proposal->withNote(Sentence::of('gate.never_holds', pair: $proposal->pairWords()));
    }
}
