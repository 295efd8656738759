<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** When a plan is looked at. */
enum Design: string
{
    /** Once, when the planned runs are done; until then nothing is claimed. */
    case Fixed = 'fixed';
    /** After each run, with bounds that pay for the looks, and the next run chosen by what is still open. */
    case Adaptive = 'adaptive';
}
