<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** What a figure measures, and so in which unit it is held and how finely it is said. */
enum QuantityKind: string
{
    case Temperature = 'temperature';
    case TemperatureStep = 'temperature_step';
    case Force = 'force';
    case Stress = 'stress';
    case Length = 'length';
    case Area = 'area';
    /** mm³ */
    case Volume = 'volume';
    case Mass = 'mass';
    case Speed = 'speed';
    case Duration = 'duration';
    case Energy = 'energy';
    case Power = 'power';
    case PowerDensity = 'power_density';
    case HeatFlux = 'heat_flux';
    case ThermalResistance = 'thermal_resistance';
    case Current = 'current';
    case Voltage = 'voltage';
    case Expansion = 'expansion';
    case Money = 'money';
    case Share = 'share';
    case Ratio = 'ratio';
    case Count = 'count';
    case Number = 'number';

    /** The smallest step that is worth saying, in the unit the quantity is held in. */
    public function usualStep(): float
    {
        return match ($this) {
            self::Temperature, self::TemperatureStep, self::Force, self::Voltage, self::Current => 0.1,
            self::Stress, self::Length, self::PowerDensity, self::Money, self::Number => 0.01,
            self::Share => 0.01,
            self::Ratio => 0.1,
            self::Volume => 100.0,
            self::Area, self::Mass, self::Speed, self::Energy, self::Power, self::HeatFlux, self::Duration, self::Count => 1.0,
            self::ThermalResistance => 1e-5,
            self::Expansion => 1e-6,
        };
    }
}
