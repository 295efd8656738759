<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The plate is thicker than Z has room for. */
final readonly class ZTravelGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $printer = $proposal->job->printer;
        $thickness = $proposal->side->thicknessMm();
        if (null === $thickness || null === $printer->zTravelBelowMm || null === $printer->usualPlateMm) {
            return null;
        }
        $more = $thickness - $printer->usualPlateMm;

        return $more <= $printer->zTravelBelowMm + 1e-9 ? null : Sentence::of(
            'gate.z_travel',
            side: $proposal->side->label,
            thickness: Quantity::millimetres($thickness, 0.1),
            more: Quantity::millimetres($more, 0.1),
            printer: $printer->name,
            room: Quantity::millimetres($printer->zTravelBelowMm, 0.1),
        );
    }
}
