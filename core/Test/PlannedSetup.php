<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A setup as the order of runs sees it: which plate has to be on the printer for it. */
final readonly class PlannedSetup
{
    public function __construct(public string $id, public string $plateId)
    {
    }
}
