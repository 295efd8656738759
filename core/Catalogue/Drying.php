<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** How a material is dried, and how long a dried spool stays fit in a room. */
final readonly class Drying
{
    public function __construct(public float $hours, public float $celsius, public int $goodDays)
    {
    }
}
