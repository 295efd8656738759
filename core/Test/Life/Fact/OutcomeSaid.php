<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\Outcome;

/** Somebody saw how the print ended. */
final readonly class OutcomeSaid implements RunFact
{
    public function __construct(public Outcome $outcome, public string $note)
    {
    }
}
