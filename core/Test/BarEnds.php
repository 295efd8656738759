<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** How the ends of a bar are shaped that is printed for its lift. */
enum BarEnds: string
{
    case Square = 'square';
    case Round = 'round';

    public function words(): Sentence
    {
        return Sentence::of("bar_ends.$this->value");
    }
}
