<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** In what a profile has drifted. */
enum DriftKind: string
{
    case Hold = 'hold';
    case Release = 'release';
    /** Comes off, but harder than it did in its evidence. */
    case Effort = 'effort';
    /** Is pulled off hot with less force than in its evidence. */
    case HotPull = 'hot_pull';
    /** Needs more force cold than in its evidence. */
    case ColdPull = 'cold_pull';
}
