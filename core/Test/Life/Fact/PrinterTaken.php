<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** The run holds its printer from now on. */
final readonly class PrinterTaken implements RunFact
{
    public function __construct()
    {
    }
}
