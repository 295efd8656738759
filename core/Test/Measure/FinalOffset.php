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

/** The correction with which the first layer came out right, written down as it is shown in the end (trade notes, section 6). */
final readonly class FinalOffset implements Measured
{
    private const MOST_MM = 5;

    public function key(): string
    {
        return 'offset';
    }

    public function words(): Sentence
    {
        return Sentence::of('measure.offset');
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
        return RunStep::FirstLayer;
    }

    public function stored(float $value, string $unit): float
    {
        $length = LengthUnit::tryFrom($unit) ?? throw BadReading::unit($this, $unit);
        $mm = $length->millimetres($value);
        if (!is_finite($mm) || abs($mm) > self::MOST_MM) {
            throw BadReading::value($this, Sentence::of('reading.wanted.offset'));
        }

        return $mm;
    }
}
