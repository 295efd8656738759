<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfKinds;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The pair bonds for good, and nothing keeps them apart. */
final readonly class BarrierGate implements GateOfKinds
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        if (null === $proposal->pairing || null === $proposal->treatment || !$proposal->pairing->bonds || $proposal->treatment->barrier) {
            return null;
        }
        $pair = ['material' => $proposal->job->material->name, 'surface' => $proposal->surface->name];

        return null === $proposal->agent
            ? Sentence::of('gate.bonds_bare', ...$pair)
            : Sentence::of('gate.bonds_no_barrier', ...$pair, agent: $proposal->agent->name);
    }
}
