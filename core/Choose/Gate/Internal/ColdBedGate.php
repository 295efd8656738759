<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The bed is unheated and practice does not offer the pair cold. */
final readonly class ColdBedGate implements Gate
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $job = $proposal->job;
        if (null !== $job->printer->maxBedC || null === $proposal->pairing || Axis::Seconds === $proposal->pairing->window->axis) {
            return null;
        }
        $what = ['pair' => $proposal->pairWords()];
        if (Grade::Never === $proposal->treatment?->holdCold) {
            return Sentence::of('gate.never_cold', ...$what);
        }

        return null === $proposal->treatment?->holdCold && !$proposal->pairing->window->holds($job->roomC)
            ? Sentence::of('gate.cold_untested', ...$what, printer: $job->printer->name, room: Quantity::celsius($job->roomC))
            : null;
    }
}
