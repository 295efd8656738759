<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\RunOutcome;

/** The one value that a run, or a visit whose runs are not independent, gives of a measure. */
final readonly class UnitValue
{
    public function __construct(
        public float $value,
        public bool $atLeast = false,
        /** The step of the instrument, in the unit of the value; 0: so fine that it does not matter. */
        public float $step = 0.0,
        /** What a known weight weighed over what the instrument showed of it, the furthest from 1; 1: as shown. */
        public float $gain = 1.0,
        /** The visit during which it was read, within which the order was drawn. */
        public string $visit = '',
    ) {
    }

    /** The least that it may stand for. */
    public function low(): float
    {
        return min($this->value, $this->value * $this->gain);
    }

    /** The most that it may stand for, a lower bound apart. */
    public function high(): float
    {
        return max($this->value, $this->value * $this->gain);
    }

    /** Whether it is on the right side of a lower limit (at least) or an upper one (at most), as surely as its instrument tells. */
    public function against(float $limit, bool $atLeast): RunOutcome
    {
        return RunOutcome::ofRange($this->low() - $this->step / 2, $this->atLeast ? \INF : $this->high() + $this->step / 2, $limit, $atLeast);
    }
}
