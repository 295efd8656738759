<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** In what a profile has drifted. */
enum DriftKind: string
{
    case Hold = 'hold';
    case Release = 'release';
}
