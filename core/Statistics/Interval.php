<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A confidence interval, in the unit of the figure that it belongs to. */
final readonly class Interval
{
    public function __construct(public float $low, public float $high)
    {
    }

    /** @return array{float, float} */
    public function toArray(): array
    {
        return [$this->low, $this->high];
    }
}
