<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** The material needs a chamber, the printer has none, and the shop does not say of this way of use that it goes without. */
final readonly class OpenPrinterGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        return true === $proposal->treatment?->shop?->openPrinter ? null : EnclosureGate::draught($proposal);
    }
}
