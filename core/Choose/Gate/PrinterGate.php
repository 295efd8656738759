<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The printer cannot print the material at all, or its bed cannot reach the window. */
final readonly class PrinterGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $printer = $proposal->job->printer;
        $material = $proposal->job->material;
        if (!$printer->filament) {
            return \sprintf('%s prints resin, not filament.', $printer->name);
        }
        if ($printer->maxNozzleC < $material->nozzleC[0]) {
            return \sprintf('%s needs a nozzle of %.0f °C; %s reaches %.0f °C.', $material->name, $material->nozzleC[0], $printer->name, $printer->maxNozzleC);
        }
        if (null === $proposal->pairing) {
            return null;
        }
        $window = $proposal->pairing->window;
        if (null === $printer->maxBedC) {
            return $window->holds($proposal->job->roomC) ? null : \sprintf(
                '%s has no bed heater, and %s does not hold here at a room temperature of %.0f °C.',
                $printer->name,
                $material->name,
                $proposal->job->roomC,
            );
        }

        return $window->targetC > $printer->maxBedC
            ? \sprintf('It needs a bed of %.0f °C; %s reaches %.0f °C.', $window->targetC, $printer->name, $printer->maxBedC)
            : null;
    }
}
