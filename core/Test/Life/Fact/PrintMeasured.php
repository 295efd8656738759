<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** How long the print took, from the stamps of its steps or from a table that says so; never from a plan. */
final readonly class PrintMeasured implements RunFact
{
    public function __construct(public float $minutes)
    {
    }
}
