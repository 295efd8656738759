<?php

declare(strict_types=1);

namespace Sitzplatz\Units;

/** Scales of temperature (NIST SP 811); a difference has no offset. */
enum TemperatureUnit: string
{
    case Celsius = '°C';
    case Fahrenheit = '°F';

    public function celsius(float $value): float
    {
        return self::Fahrenheit === $this ? ($value - 32) / 1.8 : $value;
    }
}
