<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Words\Sentence;

/** How the skirt peels off: a first hint of the grip (trade notes, section 7). */
final readonly class SkirtPeel implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'skirt';
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::Ordinal;
    }

    public function levels(): array
    {
        return array_map(static fn (string $level): Sentence => Sentence::of('skirt.'.$level), ['falls', 'strip', 'tears', 'scraped']);
    }

    public function step(): RunStep
    {
        return RunStep::Inspect;
    }
}
