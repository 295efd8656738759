<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\SheetStep;

/** The run is at this step from now on. */
final readonly class StepReached implements RunFact
{
    public function __construct(public SheetStep $step)
    {
    }
}
