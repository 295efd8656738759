<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The material needs a closed, draft-free chamber and the printer has none. */
final readonly class EnclosureGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $job = $proposal->job;

        return Enclosure::Needed === $job->material->enclosure && !$job->printer->enclosed
            ? \sprintf('%s needs a closed, draft-free chamber; %s is open.', $job->material->name, $job->printer->name)
            : null;
    }
}
