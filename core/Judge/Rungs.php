<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** How the setups of a comparison lie to one another. */
enum Rungs
{
    /** Side by side. */
    case None;
    /** Along one scale. */
    case Ladder;
    /** Tried one after the other, and the first that passes is enough. */
    case InTurn;
}
