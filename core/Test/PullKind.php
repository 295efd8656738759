<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A part gives one pull: hot, at print temperature, or cold, after cooling. */
enum PullKind: string
{
    case Hot = 'hot';
    case Cold = 'cold';

    public function measure(): Measure
    {
        return self::Hot === $this ? Measure::PullHot : Measure::PullCold;
    }
}
