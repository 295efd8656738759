<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** The one value that a run, or a visit whose runs are not independent, gives of a measure. */
final readonly class UnitValue
{
    public function __construct(
        public float $value,
        public bool $atLeast = false,
        /** The step of the instrument, in the unit of the value; 0: so fine that it does not matter. */
        public float $step = 0.0,
    ) {
    }
}
