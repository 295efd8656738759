<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** An ordinal measure that somebody adds. */
final readonly class Sheen implements Measured
{
    public function key(): string
    {
        return 'sheen';
    }

    public function words(): OwnText
    {
        return new OwnText('sheen of the underside');
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::Ordinal;
    }

    public function units(): array
    {
        return [''];
    }

    public function shown(): Shown
    {
        return Shown::Number;
    }

    public function levels(): array
    {
        return [new OwnText('dull'), new OwnText('silky'), new OwnText('a mirror')];
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
        if ('' !== $unit) {
            throw BadReading::unit($this, $unit);
        }
        if (!\in_array($value, [0.0, 1.0, 2.0], true)) {
            throw BadReading::value($this, Sentence::of('reading.wanted.number'));
        }

        return $value;
    }
}
