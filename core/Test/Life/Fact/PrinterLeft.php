<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

/** The printer is free for others. */
final readonly class PrinterLeft implements RunFact
{
    public function __construct()
    {
    }
}
