<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** One sample of a thermometer. */
final readonly class TemperatureSample
{
    public function __construct(public int $milliseconds, public float $celsius)
    {
    }
}
