<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Gate\Internal\BarrierGate;
use Sitzplatz\Choose\Gate\Internal\CleanerGate;
use Sitzplatz\Choose\Gate\Internal\ColdBedGate;
use Sitzplatz\Choose\Gate\Internal\EnclosureGate;
use Sitzplatz\Choose\Gate\Internal\GlassGate;
use Sitzplatz\Choose\Gate\Internal\HarmfulAgentGate;
use Sitzplatz\Choose\Gate\Internal\HoldDownGate;
use Sitzplatz\Choose\Gate\Internal\KnownPairGate;
use Sitzplatz\Choose\Gate\Internal\KnownTreatmentGate;
use Sitzplatz\Choose\Gate\Internal\NeverHoldsGate;
use Sitzplatz\Choose\Gate\Internal\NozzleGate;
use Sitzplatz\Choose\Gate\Internal\OffPrinterGate;
use Sitzplatz\Choose\Gate\Internal\OpenPrinterGate;
use Sitzplatz\Choose\Gate\Internal\PlateSizeGate;
use Sitzplatz\Choose\Gate\Internal\PrinterGate;
use Sitzplatz\Choose\Gate\Internal\ProbeGate;
use Sitzplatz\Choose\Gate\Internal\RaftGate;
use Sitzplatz\Choose\Gate\Internal\SolventGate;
use Sitzplatz\Choose\Gate\Internal\SurfaceKindGate;
use Sitzplatz\Choose\Gate\Internal\TargetGate;
use Sitzplatz\Choose\Gate\Internal\ZTravelGate;

/** All gates, in the order in which a technician rules things out. */
final readonly class Gates
{
    /** @return list<Gate> whatever is put on the side */
    public static function ofASide(): array
    {
        return [
            new PrinterGate(),
            new SurfaceKindGate(),
            new PlateSizeGate(),
            new HoldDownGate(),
            new ZTravelGate(),
            new ProbeGate(),
            new KnownPairGate(),
            new EnclosureGate(),
            new NozzleGate(),
            new RaftGate(),
            new TargetGate(),
            new GlassGate(),
        ];
    }

    /** @return list<Gate> */
    public static function ofAnAgent(): array
    {
        return [
            new SolventGate(),
            new OffPrinterGate(),
            new CleanerGate(),
            new KnownTreatmentGate(),
            new BarrierGate(),
            new HarmfulAgentGate(),
            new ColdBedGate(),
            new NeverHoldsGate(),
            new OpenPrinterGate(),
        ];
    }
}
