<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;

/** Whether the finished part rocks on a flat table: it warped (trade notes, section 8). */
final readonly class RocksOnTable implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'rocks';
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
        return RunStep::Inspect;
    }
}
