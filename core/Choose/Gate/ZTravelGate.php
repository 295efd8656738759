<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\Proposal;

/** The plate is thicker than Z has room for. */
final readonly class ZTravelGate implements Gate
{
    public function refuses(Proposal $proposal): ?string
    {
        $printer = $proposal->job->printer;
        $thickness = $proposal->side->thicknessMm();
        if (null === $thickness || null === $printer->zTravelBelowMm || null === $printer->usualPlateMm) {
            return null;
        }
        $more = $thickness - $printer->usualPlateMm;

        return $more <= $printer->zTravelBelowMm + 1e-9 ? null : \sprintf(
            '%s is %.1f mm thick, %.1f mm more than the usual plate; the Z travel of %s has room for %.1f mm. Lower the bed with washers or springs first.',
            $proposal->side->label,
            $thickness,
            $more,
            $printer->name,
            $printer->zTravelBelowMm,
        );
    }
}
