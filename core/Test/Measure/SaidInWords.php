<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** What eye and finger say of a part: one of some words, stored as their number from 0; no verdict rests on it. */
trait SaidInWords
{
    public function words(): Sentence
    {
        return Sentence::of('measure.'.$this->key());
    }

    public function units(): array
    {
        return [''];
    }

    public function shown(): Shown
    {
        return Shown::Count;
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
        if ('' !== $unit) {
            throw BadReading::unit($this, $unit);
        }
        $most = MeasureScale::YesNo === $this->scale() ? 1 : \count($this->levels()) - 1;
        if (abs($value - round($value)) > 1e-9 || $value < -1e-9 || $value > $most + 1e-9) {
            throw BadReading::value($this, Sentence::of('reading.wanted.'.($most > 1 ? 'level' : 'yes_no')));
        }

        return round($value);
    }
}
