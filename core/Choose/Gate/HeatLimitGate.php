<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The wanted bed temperature is more than the surface, the plate or the magnets stand. */
final readonly class HeatLimitGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $printer = $proposal->job->printer;
        if (null === $proposal->pairing || null === $printer->maxBedC) {
            return null;
        }
        $target = $proposal->pairing->window->targetC;
        $limit = $proposal->surfaceLimitC();
        if ($target > $limit) {
            return \sprintf('It needs %.0f °C; %s stands %.0f °C.', $target, $proposal->side->label, $limit);
        }
        if ($proposal->side->magnetic && null !== $printer->magnetLimitC && $target > $printer->magnetLimitC) {
            return \sprintf('It needs %.0f °C; the magnets of %s stand %.0f °C.', $target, $printer->name, $printer->magnetLimitC);
        }

        return null;
    }
}
