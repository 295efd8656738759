<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** How hard a part was to take off, in the words of the bench. */
enum Effort: int
{
    case Loose = 0;
    case Finger = 1;
    case Flex = 2;
    case Scraper = 3;
    case Bonded = 4;

    public function words(): Sentence
    {
        return Sentence::of('effort.'.strtolower($this->name));
    }
}
