<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Measure;

use Sitzplatz\Test\Measured;
use Sitzplatz\Test\RunStep;

/**
 * How far the first layer stands out beyond the part, by calliper: what a nearer gap or a hotter bed costs (common
 * practice).
 */
final readonly class FirstLayerFlare implements Measured
{
    use ReadAsLength;

    public function key(): string
    {
        return 'flare';
    }

    public function step(): RunStep
    {
        return RunStep::Inspect;
    }

    private function boundsMm(): array
    {
        return [0.0, 10.0];
    }
}
