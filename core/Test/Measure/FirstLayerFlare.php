<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/**
 * How far the first layer stands out beyond the part, by calliper: what a nearer gap or a hotter bed costs (common
 * practice). Noted and compared; no verdict rests on it.
 */
final readonly class FirstLayerFlare implements Measured
{
    private const MOST_MM = 10;

    public function key(): string
    {
        return 'flare';
    }

    public function words(): Sentence
    {
        return Sentence::of('measure.flare');
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::Continuous;
    }

    public function units(): array
    {
        return array_column(LengthUnit::cases(), 'value');
    }

    public function shown(): Shown
    {
        return Shown::Length;
    }

    public function levels(): array
    {
        return [];
    }

    public function canBeAtLeast(): bool
    {
        return false;
    }

    public function places(): int
    {
        return 1;
    }

    public function step(): RunStep
    {
        return RunStep::Inspect;
    }

    public function stored(float $value, string $unit): float
    {
        $length = LengthUnit::tryFrom($unit) ?? throw BadReading::unit($this, $unit);
        $mm = $length->millimetres($value);
        if (!is_finite($mm) || $mm < 0 || $mm > self::MOST_MM) {
            throw BadReading::value($this, Sentence::of('reading.wanted.flare'));
        }

        return $mm;
    }
}
