<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What a photo of a run shows. */
enum PhotoShows: string
{
    case Underside = 'underside';
    case Lift = 'lift';
    case Damage = 'damage';
}
