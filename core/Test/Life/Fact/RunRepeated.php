<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** A run like this one is planned anew, at this place in the order. */
final readonly class RunRepeated implements RunFact
{
    public function __construct(public int $position)
    {
    }
}
