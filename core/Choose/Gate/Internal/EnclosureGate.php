<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The material needs a closed, draft-free chamber and the printer has none. */
final readonly class EnclosureGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $job = $proposal->job;

        return Enclosure::Needed === $job->material->enclosure && !$job->printer->enclosed
            ? Sentence::of('gate.enclosure', material: $job->material->name, printer: $job->printer->name)
            : null;
    }
}
