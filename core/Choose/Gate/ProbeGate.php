<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate;
use Sitzplatz\Choose\ProbeKind;
use Sitzplatz\Choose\Proposal;

/** An inductive probe does not see the metal below the surface: the nozzle would drive into it. */
final readonly class ProbeGate implements Gate
{
    /** Of a common probe, mm (common practice). */
    private const USUAL_RANGE_MM = 4.0;
    /** The nozzle stands so much below the probe when it triggers, mm (from memory). */
    private const NOZZLE_AHEAD_MM = 1.0;

    public function refuses(Proposal $proposal): ?string
    {
        $printer = $proposal->job->printer;
        if (ProbeKind::Inductive !== $printer->probe) {
            return null;
        }
        $drives = \sprintf('the inductive probe of %s does not trigger, and the nozzle drives into the bed', $printer->name);
        if ($proposal->surface->blindsInductiveProbe) {
            return \sprintf('On %s %s.', $proposal->surface->name, $drives);
        }
        $above = $proposal->side->aboveMetalMm();
        $range = $printer->probeRangeMm ?? self::USUAL_RANGE_MM;

        return null === $above || $above + self::NOZZLE_AHEAD_MM <= $range
            ? null
            : \sprintf('%s has %.1f mm without metal under its surface: with a range of %.1f mm %s.', $proposal->side->label, $above, $range, $drives);
    }
}
