<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A chance that was said, and whether it came true. */
final readonly class Forecast
{
    public function __construct(public float $said, public bool $happened)
    {
    }
}
