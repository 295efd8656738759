<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** It was not done after all: somebody touched too soon. */
final readonly class FinishTakenBack implements RunFact
{
    public function __construct()
    {
    }
}
