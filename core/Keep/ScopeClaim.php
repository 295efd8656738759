<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** How wide a profile is meant to reach. */
final readonly class ScopeClaim
{
    /** Lots or plates that have to be in the evidence before "any" may be claimed. */
    public const ANY_NEEDS = 3;

    public function __construct(public bool $anyLot, public bool $anyPlate)
    {
    }
}
