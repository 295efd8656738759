<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The printer cannot print the material at all. */
final readonly class PrinterGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $printer = $proposal->job->printer;
        $material = $proposal->job->material;
        if ($printer->filament !== $material->filament) {
            return Sentence::of($printer->filament ? 'gate.prints_filament' : 'gate.prints_resin', printer: $printer->name);
        }
        if (null !== $material->nozzleC && $printer->maxNozzleC < $material->nozzleC[0]) {
            return Sentence::of(
                'gate.nozzle_reaches',
                material: $material->name,
                nozzle: Quantity::celsius($material->nozzleC[0]),
                printer: $printer->name,
                reaches: Quantity::celsius($printer->maxNozzleC),
            );
        }
        if (null !== $material->bedC && null !== $printer->maxBedC && $printer->maxBedC < $material->bedC[0] && $material->bedC[0] >= 120) {
            return Sentence::of(
                'gate.bed_reaches',
                material: $material->name,
                bed: Quantity::celsius($material->bedC[0]),
                printer: $printer->name,
                reaches: Quantity::celsius($printer->maxBedC),
            );
        }

        return null;
    }
}
