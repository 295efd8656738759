<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** How a printer finds its bed. */
enum ProbeKind: string
{
    /** By hand with a feeler. */
    case ByHand = 'by_hand';
    /** A pin or the nozzle itself touches the surface. */
    case Touch = 'touch';
    /** Senses metal at a distance. */
    case Inductive = 'inductive';
}
