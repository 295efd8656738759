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

    public function ofCelsius(float $celsius): float
    {
        return self::Fahrenheit === $this ? 1.8 * $celsius + 32 : $celsius;
    }

    /** A difference has no offset. */
    public function ofKelvin(float $kelvin): float
    {
        return self::Fahrenheit === $this ? 1.8 * $kelvin : $kelvin;
    }
}
