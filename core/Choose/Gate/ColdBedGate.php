<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The bed is unheated and practice does not offer the pair cold. */
final readonly class ColdBedGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $job = $proposal->job;
        if (null !== $job->printer->maxBedC || null === $proposal->pairing || Axis::Seconds === $proposal->pairing->window->axis) {
            return null;
        }
        $pair = \sprintf('%s on %s %s', $job->material->name, $proposal->surface->name, null === $proposal->agent ? 'bare' : 'with '.$proposal->agent->name);
        if (Grade::Never === $proposal->treatment?->holdCold) {
            return \sprintf('%s is known not to hold on an unheated bed.', ucfirst($pair));
        }

        return null === $proposal->treatment?->holdCold && !$proposal->pairing->window->holds($job->roomC)
            ? \sprintf('%s has no bed heater, and %s is not offered at a room temperature of %.0f °C without an own test.', $job->printer->name, $pair, $job->roomC)
            : null;
    }
}
