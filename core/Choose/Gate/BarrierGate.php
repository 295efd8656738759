<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The pair bonds for good, and nothing keeps them apart. */
final readonly class BarrierGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        if (null === $proposal->pairing || null === $proposal->treatment || !$proposal->pairing->bonds || $proposal->treatment->barrier) {
            return null;
        }
        $pair = \sprintf('%s bonds to %s for good', $proposal->job->material->name, $proposal->surface->name);

        return null === $proposal->agent
            ? $pair.': never bare, only with a barrier.'
            : \sprintf('%s, and %s is no barrier to rely on.', $pair, $proposal->agent->name);
    }
}
