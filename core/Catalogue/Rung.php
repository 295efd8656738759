<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A rung of the ladder of trust: what is tried next when a setup does not hold, the least trouble first. */
enum Rung: string
{
    case Bare = 'bare';
    /** A nearer first-layer gap, or a little more heat. */
    case GapOrHeat = 'gap_or_heat';
    /** Ears or a brim. */
    case Foothold = 'foothold';
    case Agent = 'agent';
    case Surface = 'surface';
}
