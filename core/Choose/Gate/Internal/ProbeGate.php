<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** An inductive probe does not see the metal below the surface: the nozzle would drive into it. */
final readonly class ProbeGate implements GateOfLimits
{
    /** Of a common probe, mm (common practice). */
    private const USUAL_RANGE_MM = 4.0;
    /** The nozzle stands so much below the probe when it triggers, mm (from memory). */
    private const NOZZLE_AHEAD_MM = 1.0;

    public function refuses(Proposal $proposal): ?Sentence
    {
        $printer = $proposal->job->printer;
        if (ProbeKind::Inductive !== $printer->probe) {
            return null;
        }
        if ($proposal->surface->blindsInductiveProbe) {
            return Sentence::of('gate.probe_blind', surface: $proposal->surface->name, printer: $printer->name);
        }
        $above = $proposal->side->aboveMetalMm();
        $range = $printer->probeRangeMm ?? self::USUAL_RANGE_MM;

        return null === $above || $above + self::NOZZLE_AHEAD_MM <= $range
            ? null
            : Sentence::of(
                'gate.probe_range',
                side: $proposal->side->label,
                above: Quantity::millimetres($above, 0.1),
                range: Quantity::millimetres($range, 0.1),
                printer: $printer->name,
            );
    }
}
