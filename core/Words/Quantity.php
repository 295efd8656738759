<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** A figure with what it measures; held in the unit that the name of its maker says. */
final readonly class Quantity implements Phrase
{
    private function __construct(
        public QuantityKind $kind,
        public float $value,
        /** The smallest step worth saying, in the same unit. */
        public float $step,
    ) {
    }

    public static function celsius(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Temperature, $value, $step);
    }

    /** A difference of temperatures. */
    public static function kelvin(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::TemperatureStep, $value, $step);
    }

    public static function newtons(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Force, $value, $step);
    }

    public static function megapascals(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Stress, $value, $step);
    }

    public static function millimetres(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Length, $value, $step);
    }

    public static function squareMillimetres(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Area, $value, $step);
    }

    public static function cubicMillimetres(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Volume, $value, $step);
    }

    public static function millimetresPerSecond(float $value): self
    {
        return self::make(QuantityKind::Speed, $value, null);
    }

    public static function seconds(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Duration, $value, $step);
    }

    public static function minutes(float $value): self
    {
        return self::make(QuantityKind::Duration, 60 * $value, null);
    }

    public static function watts(float $value): self
    {
        return self::make(QuantityKind::Power, $value, null);
    }

    public static function wattsPerSquareCentimetre(float $value): self
    {
        return self::make(QuantityKind::PowerDensity, $value, null);
    }

    public static function wattsPerSquareMetre(float $value): self
    {
        return self::make(QuantityKind::HeatFlux, $value, null);
    }

    /** m²K/W. */
    public static function thermalResistance(float $value): self
    {
        return self::make(QuantityKind::ThermalResistance, $value, null);
    }

    public static function amperes(float $value): self
    {
        return self::make(QuantityKind::Current, $value, null);
    }

    public static function volts(float $value): self
    {
        return self::make(QuantityKind::Voltage, $value, null);
    }

    /** Linear, 1/K. */
    public static function expansion(float $perK): self
    {
        return self::make(QuantityKind::Expansion, $perK, null);
    }

    /** In the money of the price labels. */
    public static function money(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Money, $value, $step);
    }

    /** 1 is all. */
    public static function share(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Share, $value, $step);
    }

    /** So many times as much. */
    public static function times(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Ratio, $value, $step);
    }

    public static function count(int $value): self
    {
        return self::make(QuantityKind::Count, $value, null);
    }

    public static function number(float $value, ?float $step = null): self
    {
        return self::make(QuantityKind::Number, $value, $step);
    }

    /** @internal for {@see Stored} */
    public static function make(QuantityKind $kind, float $value, ?float $step): self
    {
        return new self($kind, $value, $step ?? $kind->usualStep());
    }

    public function toArray(): array
    {
        return ['quantity' => $this->kind->value, 'value' => $this->value, 'step' => $this->step];
    }
}
