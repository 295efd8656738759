<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Test\RunStep;

/** White crazing above the underside: how hard it held while it warped (trade notes, section 8). */
final readonly class WhiteCrazing implements Measured
{
    use SaidInWords;

    public function key(): string
    {
        return 'crazing';
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
