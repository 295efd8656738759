<?php

declare(strict_types=1);

namespace Sitzplatz\Units;

/** Units of length; the inch is exact (NIST SP 811). */
enum LengthUnit: string
{
    case Millimetre = 'mm';
    case Inch = 'in';

    public function millimetres(float $value): float
    {
        return self::Inch === $this ? $value * 25.4 : $value;
    }

    public function ofMillimetres(float $millimetres): float
    {
        return self::Inch === $this ? $millimetres / 25.4 : $millimetres;
    }
}
