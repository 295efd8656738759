<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** The run is done. */
final readonly class Finished implements RunFact
{
    public function __construct()
    {
    }
}
