<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** How a printer finds its bed. */
enum ProbeKind: string
{
    /** By hand with a feeler. */
    case ByHand = 'by_hand';
    /** The nozzle itself touches the surface. */
    case Touch = 'touch';
    /** A pin beside the nozzle touches the surface. */
    case Pin = 'pin';
    /** Senses metal at a distance. */
    case Inductive = 'inductive';
}
