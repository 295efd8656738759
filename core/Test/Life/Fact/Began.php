<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** Somebody began the run. */
final readonly class Began implements RunFact
{
    public function __construct()
    {
    }
}
