<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;

/** Whether the first patch was spoiled before the live correction was right (trade notes, section 6). */
final readonly class FirstPatchSpoiled implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'patch';
    }

    public function scale(): MeasureScale
    {
        return MeasureScale::YesNo;
    }

    public function levels(): array
    {
        return [];
    }

    public function step(): RunStep
    {
        return RunStep::FirstLayer;
    }
}
