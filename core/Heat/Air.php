<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/**
 * Dry air at one atmosphere. Viscosity and conductivity after Sutherland (constants from memory of White, Viscous fluid
 * flow: μ₀ 1.716e-5 Pa s, S 111 K; k₀ 0.0241 W/mK, S 194 K; both at 273 K), density as an ideal gas.
 */
final readonly class Air
{
    private const GAS_CONSTANT_JKGK = 287.05;
    private const PRESSURE_PA = 101325.0;
    private const HEAT_CAPACITY_JKGK = 1007.0;

    public float $conductivityWMK;
    public float $kinematicViscosityM2S;
    public float $prandtl;
    /** 1/K, of an ideal gas. */
    public float $expansionPerK;

    public function __construct(float $celsius)
    {
        $kelvin = $celsius + 273.15;
        $ratio = $kelvin / 273.15;
        $power = $ratio * sqrt($ratio);
        $viscosity = 1.716e-5 * $power * (273.15 + 111) / ($kelvin + 111);
        $this->conductivityWMK = 0.0241 * $power * (273.15 + 194) / ($kelvin + 194);
        $this->kinematicViscosityM2S = $viscosity / (self::PRESSURE_PA / (self::GAS_CONSTANT_JKGK * $kelvin));
        $this->prandtl = $viscosity * self::HEAT_CAPACITY_JKGK / $this->conductivityWMK;
        $this->expansionPerK = 1 / $kelvin;
    }
}
