<?php

declare(strict_types=1);

namespace App\Platform\Words;

use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\PressureUnit;
use Sitzplatz\Units\TemperatureUnit;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;

/** Writes quantities in the units and the locale of one reader, as finely as their step is worth. */
final class Figures
{
    /** Between a figure and its unit no line is broken. */
    private const GLUE = "\u{00A0}";
    private const MOST_DECIMALS = 6;

    /** @var array<int, \NumberFormatter> by decimals */
    private array $formatters = [];

    public function __construct(private readonly Units $units, private readonly string $locale)
    {
    }

    /** Durations are left to {@see Wording}, as they take words. */
    public function text(Quantity $quantity): string
    {
        $value = $quantity->value;
        $step = $quantity->step;
        $temperature = $this->units->temperature;
        $force = $this->units->force;
        $length = $this->units->length;
        $pressure = PressureUnit::beside($force);

        return match ($quantity->kind) {
            QuantityKind::Temperature => $this->with($temperature->ofCelsius($value), $temperature->ofKelvin($step), $temperature->value),
            QuantityKind::TemperatureStep => $this->with($temperature->ofKelvin($value), $temperature->ofKelvin($step), $temperature->value),
            QuantityKind::Force => $this->with($force->ofNewtons($value), $force->ofNewtons($step), $force->value),
            QuantityKind::Stress => PressureUnit::Megapascal === $pressure && $value >= 1000
                ? $this->with($value / 1000, $step / 1000, 'GPa')
                : $this->with($pressure->ofMegapascals($value), $pressure->ofMegapascals($step), $pressure->value),
            QuantityKind::Length => LengthUnit::Millimetre === $length && $value >= 10_000
                ? $this->with($value / 1000, $step / 1000, 'm')
                : $this->with($length->ofMillimetres($value), $length->ofMillimetres($step), $length->value),
            QuantityKind::Area => $this->with(
                $length->ofMillimetres($length->ofMillimetres($value)),
                $length->ofMillimetres($length->ofMillimetres($step)),
                $length->value.'²',
            ),
            QuantityKind::Speed => $this->with($length->ofMillimetres($value), $length->ofMillimetres($step), $length->value.'/s'),
            QuantityKind::Share => $this->with(100 * $value, 100 * $step, '%'),
            QuantityKind::ThermalResistance => $this->scientific($value).self::GLUE.'m²K/W',
            QuantityKind::Expansion => TemperatureUnit::Fahrenheit === $temperature
                ? $this->with($value / 1.8e-6, $step / 1.8e-6, '10⁻⁶/°F')
                : $this->with($value / 1e-6, $step / 1e-6, '10⁻⁶/K'),
            QuantityKind::Mass => $this->with($value, $step, 'g'),
            QuantityKind::Energy => $this->with($value, $step, 'Wh'),
            QuantityKind::Power => $this->with($value, $step, 'W'),
            QuantityKind::PowerDensity => $this->with($value, $step, 'W/cm²'),
            QuantityKind::HeatFlux => $this->with($value, $step, 'W/m²'),
            QuantityKind::Current => $this->with($value, $step, 'A'),
            QuantityKind::Voltage => $this->with($value, $step, 'V'),
            QuantityKind::Ratio => $this->with($value, $step, '×'),
            QuantityKind::Money => $this->figure($value, $step, true),
            QuantityKind::Count, QuantityKind::Number, QuantityKind::Duration => $this->figure($value, $step),
        };
    }

    /** @param bool $zeros whether zeros at the end are written, as in prices */
    public function figure(float $value, float $step, bool $zeros = false): string
    {
        // The first decimal at which a step can be told: 0.0225 lbf is told by hundredths, and steps of 1450 psi by thousands.
        $round = $step > 0 ? min(self::MOST_DECIMALS, (int) ceil(-log10($step) - 1e-9)) : self::MOST_DECIMALS;
        $decimals = max(0, $round);
        $formatter = $this->formatters[2 * $decimals + ($zeros ? 1 : 0)] ??= $this->formatter($decimals, $zeros);
        $text = $formatter->format(round($value, $round) + 0.0);

        return false === $text ? (string) $value : $text;
    }

    private function with(float $value, float $step, string $unit): string
    {
        return $this->figure($value, $step).self::GLUE.$unit;
    }

    private function formatter(int $decimals, bool $zeros): \NumberFormatter
    {
        $formatter = new \NumberFormatter($this->locale, \NumberFormatter::DECIMAL);
        $formatter->setAttribute(\NumberFormatter::MIN_FRACTION_DIGITS, $zeros ? $decimals : 0);
        $formatter->setAttribute(\NumberFormatter::MAX_FRACTION_DIGITS, $decimals);
        $formatter->setAttribute(\NumberFormatter::ROUNDING_MODE, \NumberFormatter::ROUND_HALFUP);

        return $formatter;
    }

    /** Two digits and a power of ten. */
    private function scientific(float $value): string
    {
        if (abs($value) < 1e-300) {
            return '0';
        }
        $power = (int) floor(log10(abs($value)));
        $digits = strtr(
            (string) $power,
            ['-' => '⁻', '0' => '⁰', '1' => '¹', '2' => '²', '3' => '³', '4' => '⁴', '5' => '⁵', '6' => '⁶', '7' => '⁷', '8' => '⁸', '9' => '⁹'],
        );

        return $this->figure($value / 10 ** $power, 0.1).'·10'.$digits;
    }
}
