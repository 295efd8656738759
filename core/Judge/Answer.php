<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** Yes, no, or not yet known. */
enum Answer: string
{
    case Yes = 'yes';
    case No = 'no';
    case NotYet = 'not_yet';

    /** Whether something else is said now than was settled; what was open settled nothing. */
    public function contradictedBy(self $now): bool
    {
        return self::NotYet !== $this && $this !== $now;
    }
}
