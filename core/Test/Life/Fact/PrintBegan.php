<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** The print runs from now on. */
final readonly class PrintBegan implements RunFact
{
    public function __construct()
    {
    }
}
