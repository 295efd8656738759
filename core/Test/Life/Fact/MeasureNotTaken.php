<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\Measure;
use Sitzplatz\Words\Phrase;

/** What the plan wants was not taken. */
final readonly class MeasureNotTaken implements RunFact
{
    public function __construct(public Measure $measure, public Phrase $reason)
    {
    }
}
