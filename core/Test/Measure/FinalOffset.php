<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\RunStep;

/** The correction with which the first layer came out right, written down as it is shown in the end (trade notes, section 6). */
final readonly class FinalOffset implements Measured
{
    use ReadAsLength;

    public function key(): string
    {
        return 'offset';
    }

    public function step(): RunStep
    {
        return RunStep::FirstLayer;
    }

    private function boundsMm(): array
    {
        return [-5.0, 5.0];
    }
}
