<?php

declare(strict_types=1);

namespace Sitzplatz\Units;

/** Units of stress (NIST SP 811): whoever reads a gauge in pounds thinks of pounds per square inch. */
enum PressureUnit: string
{
    case Megapascal = 'MPa';
    case PoundPerSquareInch = 'psi';

    public static function beside(ForceUnit $force): self
    {
        return ForceUnit::PoundForce === $force ? self::PoundPerSquareInch : self::Megapascal;
    }

    public function ofMegapascals(float $megapascals): float
    {
        return self::PoundPerSquareInch === $this ? $megapascals / 0.006894757 : $megapascals;
    }
}
