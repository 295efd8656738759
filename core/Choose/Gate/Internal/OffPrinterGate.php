<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** What is put on away from the printer only does not go onto a plate that cannot be taken off it. */
final readonly class OffPrinterGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return true === $proposal->agent?->offPrinter && !$proposal->side->build($proposal->surface)->comesOff
            ? Sentence::of('gate.off_printer', agent: $proposal->agentName(), plate: $proposal->side->label)
            : null;
    }
}
