<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Words\Phrase;

/** One figure that went into a reckoning, and on what it rests. */
final readonly class Input
{
    public function __construct(public Phrase $name, public Phrase $value, public Phrase $basis)
    {
    }
}
