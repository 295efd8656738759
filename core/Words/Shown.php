<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/**
 * How finely a screen shows what it got as a number: the one list of precisions, for all interfaces. Figures inside of a
 * sentence carry their own step ({@see Quantity}).
 */
enum Shown: string
{
    /** Set or read, by half degrees or finer. */
    case Temperature = 'temperature';
    /** Worked out, and no finer than a degree. */
    case TemperatureAbout = 'temperature_about';
    /** Of statistics, two places beyond what is read. */
    case TemperatureMean = 'temperature_mean';
    case TemperatureStep = 'temperature_step';
    case TemperatureStepMean = 'temperature_step_mean';
    case Force = 'force';
    case ForceMean = 'force_mean';
    case ForceFine = 'force_fine';
    case Length = 'length';
    case LengthAbout = 'length_about';
    case LengthRough = 'length_rough';
    case Area = 'area';
    case Volume = 'volume';
    case Stress = 'stress';
    case StressMean = 'stress_mean';
    case Speed = 'speed';
    case Share = 'share';
    case ShareFine = 'share_fine';
    case Energy = 'energy';
    case Power = 'power';
    case PowerDensity = 'power_density';
    case HeatFlux = 'heat_flux';
    /** In ten-thousandths, as between a plate and its bed. */
    case Resistance = 'resistance';
    case Current = 'current';
    case Mass = 'mass';
    case Money = 'money';
    case Ratio = 'ratio';
    case RatioFine = 'ratio_fine';
    case Count = 'count';
    case NumberRough = 'number_rough';
    case Number = 'number';
    case NumberFine = 'number_fine';

    public function kind(): QuantityKind
    {
        return match ($this) {
            self::Temperature, self::TemperatureAbout, self::TemperatureMean => QuantityKind::Temperature,
            self::TemperatureStep, self::TemperatureStepMean => QuantityKind::TemperatureStep,
            self::Force, self::ForceMean, self::ForceFine => QuantityKind::Force,
            self::Length, self::LengthAbout, self::LengthRough => QuantityKind::Length,
            self::Area => QuantityKind::Area,
            self::Volume => QuantityKind::Volume,
            self::Stress, self::StressMean => QuantityKind::Stress,
            self::Speed => QuantityKind::Speed,
            self::Share, self::ShareFine => QuantityKind::Share,
            self::Energy => QuantityKind::Energy,
            self::Power => QuantityKind::Power,
            self::PowerDensity => QuantityKind::PowerDensity,
            self::HeatFlux => QuantityKind::HeatFlux,
            self::Resistance => QuantityKind::ThermalResistance,
            self::Current => QuantityKind::Current,
            self::Mass => QuantityKind::Mass,
            self::Money => QuantityKind::Money,
            self::Ratio, self::RatioFine => QuantityKind::Ratio,
            self::Count => QuantityKind::Count,
            self::NumberRough, self::Number, self::NumberFine => QuantityKind::Number,
        };
    }

    /** The smallest step that is worth showing, in the unit the kind is held in. */
    public function step(): float
    {
        return match ($this) {
            self::TemperatureAbout, self::LengthRough => 1.0,
            self::LengthAbout, self::NumberRough => 0.1,
            self::TemperatureMean, self::TemperatureStepMean, self::ForceMean, self::RatioFine => 0.01,
            self::ForceFine, self::StressMean, self::ShareFine, self::NumberFine => 0.001,
            default => $this->kind()->usualStep(),
        };
    }
}
