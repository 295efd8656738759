<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** A length that is read off and noted; no verdict rests on it. */
trait ReadAsLength
{
    /** @return array{float, float} the least and the most that it can be, mm */
    abstract private function boundsMm(): array;

    public function words(): Sentence
    {
        return Sentence::of('measure.'.$this->key());
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

    public function stored(float $value, string $unit): float
    {
        $length = LengthUnit::tryFrom($unit) ?? throw BadReading::unit($this, $unit);
        $mm = $length->millimetres($value);
        [$least, $most] = $this->boundsMm();
        if (!is_finite($mm) || $mm < $least || $mm > $most) {
            throw BadReading::value($this, Sentence::of('reading.wanted.'.$this->key()));
        }

        return $mm;
    }
}
