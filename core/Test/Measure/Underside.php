<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Words\Sentence;

/** What the underside looks like (trade notes, section 8). */
final readonly class Underside implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'underside';
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::Ordinal;
    }

    public function levels(): array
    {
        return array_map(static fn (string $level): Sentence => Sentence::of('underside.'.$level), ['even', 'gaps', 'squeezed']);
    }

    public function step(): RunStep
    {
        return RunStep::Inspect;
    }
}
