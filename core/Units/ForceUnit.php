<?php

declare(strict_types=1);

namespace Sitzplatz\Units;

/** Units in which a gauge or scale shows a pull; factors from NIST SP 811. */
enum ForceUnit: string
{
    case Newton = 'N';
    case KilogramForce = 'kgf';
    case PoundForce = 'lbf';

    public function newtons(float $value): float
    {
        return $value * $this->factor();
    }

    public function ofNewtons(float $newtons): float
    {
        return $newtons / $this->factor();
    }

    private function factor(): float
    {
        return match ($this) {
            self::Newton => 1.0,
            self::KilogramForce => 9.80665,
            self::PoundForce => 4.4482216152605,
        };
    }
}
