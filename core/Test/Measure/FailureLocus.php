<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Words\Sentence;

/** Where it gave way, in the manner of ISO 4624 (from memory): at the plate, within the agent, within the part, or within the surface. */
final readonly class FailureLocus implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'locus';
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::Ordinal;
    }

    public function levels(): array
    {
        return array_map(static fn (string $level): Sentence => Sentence::of('locus.'.$level), ['plate', 'agent', 'part', 'surface']);
    }

    public function step(): RunStep
    {
        return RunStep::Inspect;
    }
}
