<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** One figure that went into a reckoning, and on what it rests. */
final readonly class Input
{
    public function __construct(public string $name, public string $value, public string $basis)
    {
    }
}
