<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** Yes, no, or not yet known. */
enum Answer: string
{
    case Yes = 'yes';
    case No = 'no';
    case NotYet = 'not_yet';
}
