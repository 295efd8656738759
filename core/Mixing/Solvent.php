<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Sentence;

/**
 * Solvents of the bench. Molar mass, density, lower explosive limit, REL and PEL: NIOSH Pocket Guide to Chemical Hazards, from
 * memory; European workplace limits, their factors for a short time, and vapour pressures at 20 °C: from memory.
 */
enum Solvent: int
{
    case Acetone = 0;
    case Propanol = 1;
    case Ethanol = 2;

    public function molarMassG(): float
    {
        return match ($this) {
            self::Acetone => 58.08,
            self::Propanol => 60.10,
            self::Ethanol => 46.07,
        };
    }

    /** g/mL. */
    public function density(): float
    {
        return match ($this) {
            self::Acetone, self::Propanol => 0.785,
            self::Ethanol => 0.789,
        };
    }

    /** Share of volume in air from which on it can be lit. */
    public function lowerExplosiveLimit(): float
    {
        return match ($this) {
            self::Acetone => 0.025,
            self::Propanol => 0.02,
            self::Ethanol => 0.033,
        };
    }

    /** For eight hours, ppm: of the REL, the PEL and in Europe. */
    public function limitsPpm(): WorkplaceLimits
    {
        return match ($this) {
            self::Acetone => new WorkplaceLimits(250, 1000, 500, 1000),
            self::Propanol => new WorkplaceLimits(400, 400, 200, 400),
            self::Ethanol => new WorkplaceLimits(1000, 1000, 200, 800),
        };
    }

    /** Air takes no more of it, ppm. */
    public function saturationPpm(): float
    {
        $kiloPascal = match ($this) {
            self::Acetone => 24.7,
            self::Propanol => 4.4,
            self::Ethanol => 5.8,
        };

        return $kiloPascal / 101.325 * 1e6;
    }

    public function words(): Sentence
    {
        return Sentence::of('solvent.'.strtolower($this->name));
    }
}
