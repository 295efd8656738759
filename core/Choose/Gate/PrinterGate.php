<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The printer cannot print the material at all. */
final readonly class PrinterGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $printer = $proposal->job->printer;
        $material = $proposal->job->material;
        if ($printer->filament !== $material->filament) {
            return \sprintf('%s prints %s, not %s.', $printer->name, $printer->filament ? 'filament' : 'resin', $printer->filament ? 'resin' : 'filament');
        }
        if (null !== $material->nozzleC && $printer->maxNozzleC < $material->nozzleC[0]) {
            return \sprintf('%s needs a nozzle of %.0f °C; %s reaches %.0f °C.', $material->name, $material->nozzleC[0], $printer->name, $printer->maxNozzleC);
        }
        if (null !== $material->bedC && null !== $printer->maxBedC && $printer->maxBedC < $material->bedC[0] && $material->bedC[0] >= 120) {
            return \sprintf('%s needs a bed of %.0f °C and more; %s reaches %.0f °C.', $material->name, $material->bedC[0], $printer->name, $printer->maxBedC);
        }

        return null;
    }
}
