<?php

declare(strict_types=1);

namespace App\Platform\Words;

use Sitzplatz\Units\ForceUnit;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\PressureUnit;
use Sitzplatz\Units\TemperatureUnit;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Shown;

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
        if (QuantityKind::ThermalResistance === $quantity->kind) {
            return $this->scientific($value).self::GLUE.'m²K/W';
        }
        $scale = match (true) {
            QuantityKind::Stress === $quantity->kind && ForceUnit::PoundForce !== $this->units->force && $value >= 1000 => new Scale('GPa', 0.001),
            QuantityKind::Length === $quantity->kind && LengthUnit::Millimetre === $this->units->length && $value >= 10_000 => new Scale('m', 0.001),
            default => $this->scale($quantity->kind),
        };
        $figure = $this->figure($scale->shown($value), $scale->factor * $step, QuantityKind::Money === $quantity->kind);

        return '' === $scale->symbol ? $figure : $figure.self::GLUE.$scale->symbol;
    }

    /**
     * How a screen shows each kind of figure: shown = factor · stored + offset, with so many decimals (fewer than none:
     * rounded to tens and so on), zeros at the end left out unless it says so.
     *
     * @return array<string, array{symbol: string, factor: float, offset: float, decimals: int, zeros: bool}>
     */
    public function shown(): array
    {
        $figures = [];
        foreach (Shown::cases() as $case) {
            $scale = $this->scale($case->kind());
            $figures[$case->value] = [
                'symbol' => $scale->symbol,
                'factor' => $scale->factor,
                'offset' => $scale->offset,
                'decimals' => self::decimals($scale->factor * $case->step()),
                'zeros' => QuantityKind::Money === $case->kind(),
            ];
        }

        return $figures;
    }

    private function scale(QuantityKind $kind): Scale
    {
        $temperature = $this->units->temperature;
        $force = $this->units->force;
        $length = $this->units->length;
        $pressure = PressureUnit::beside($force);
        $perMm = $length->ofMillimetres(1);

        return match ($kind) {
            QuantityKind::Temperature => new Scale($temperature->value, $temperature->ofKelvin(1), $temperature->ofCelsius(0)),
            QuantityKind::TemperatureStep => new Scale($temperature->value, $temperature->ofKelvin(1)),
            QuantityKind::Force => new Scale($force->value, $force->ofNewtons(1)),
            QuantityKind::Stress => new Scale($pressure->value, $pressure->ofMegapascals(1)),
            QuantityKind::Length => new Scale($length->value, $perMm),
            QuantityKind::Area => new Scale($length->value.'²', $perMm ** 2),
            QuantityKind::Volume => LengthUnit::Millimetre === $length ? new Scale('cm³', 0.001) : new Scale($length->value.'³', $perMm ** 3),
            QuantityKind::Speed => new Scale($length->value.'/s', $perMm),
            QuantityKind::Share => new Scale('%', 100),
            QuantityKind::ThermalResistance => new Scale('×10⁻⁴ m²K/W', 1e4),
            QuantityKind::Expansion => TemperatureUnit::Fahrenheit === $temperature ? new Scale('10⁻⁶/°F', 1e6 / 1.8) : new Scale('10⁻⁶/K', 1e6),
            QuantityKind::Mass => new Scale('g', 1),
            QuantityKind::Energy => new Scale('Wh', 1),
            QuantityKind::Power => new Scale('W', 1),
            QuantityKind::PowerDensity => new Scale('W/cm²', 1),
            QuantityKind::HeatFlux => new Scale('W/m²', 1),
            QuantityKind::Current => new Scale('A', 1),
            QuantityKind::Voltage => new Scale('V', 1),
            QuantityKind::Ratio => new Scale('×', 1),
            QuantityKind::Money, QuantityKind::Count, QuantityKind::Number, QuantityKind::Duration => new Scale('', 1),
        };
    }

    /** The first decimal at which a step can be told: 0.0225 lbf is told by hundredths, and steps of 1450 psi by thousands. */
    private static function decimals(float $step): int
    {
        return $step > 0 ? min(self::MOST_DECIMALS, (int) ceil(-log10($step) - 1e-9)) : self::MOST_DECIMALS;
    }

    /** @param bool $zeros whether zeros at the end are written, as in prices */
    public function figure(float $value, float $step, bool $zeros = false): string
    {
        $round = self::decimals($step);
        $decimals = max(0, $round);
        $formatter = $this->formatters[2 * $decimals + ($zeros ? 1 : 0)] ??= $this->formatter($decimals, $zeros);
        $text = $formatter->format(round($value, $round) + 0.0);

        return false === $text ? (string) $value : $text;
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
