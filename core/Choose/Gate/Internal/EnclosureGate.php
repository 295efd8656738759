<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/**
 * The material needs a closed, draft-free chamber and the printer has none. Where the shop says of one way of use that it goes
 * without, the others are ruled out one by one ({@see OpenPrinterGate}).
 */
final readonly class EnclosureGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $ways = $proposal->pairing->treatments ?? [];

        return [] === array_filter($ways, static fn (Treatment $way): bool => true === $way->shop?->openPrinter) ? self::draught($proposal) : null;
    }

    /** Whatever the shop says of it. */
    public static function draught(Proposal $proposal): ?Sentence
    {
        $job = $proposal->job;

        return Enclosure::Needed === $job->material->enclosure && !$job->printer->enclosed
            ? Sentence::of('gate.enclosure', material: $job->material->name, printer: $job->printer->name)
            : null;
    }
}
