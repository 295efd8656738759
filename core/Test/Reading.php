<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** One value of one measure, in the stored unit (N, mm, °C or none), exact or a lower bound. */
final readonly class Reading
{
    public function __construct(
        public Measured $measure,
        public float $value,
        public bool $atLeast = false,
        /** The step of the instrument, in the stored unit; 0: so fine that it does not matter. */
        public float $step = 0.0,
        /** What a known weight weighed over what the instrument showed of it; null: nobody held it against one. */
        public ?float $gain = null,
    ) {
    }

    /** @throws BadReading if the unit or value does not fit the measure, or "at least" has no meaning for it */
    public static function entered(Measured $measure, float $value, string $unit, bool $atLeast = false): self
    {
        if ($atLeast && !$measure->canBeAtLeast()) {
            throw BadReading::notAtLeast($measure);
        }

        return new self($measure, $measure->stored($value, $unit), $atLeast);
    }

    /** The least and the most that it may stand for, by what the instrument showed of a known weight. */
    public function low(): float
    {
        return min($this->value, $this->value * ($this->gain ?? 1.0));
    }

    public function high(): float
    {
        return max($this->value, $this->value * ($this->gain ?? 1.0));
    }

    /** Whether it is on the right side of a lower limit (at least) or an upper one (at most), as surely as its instrument tells. */
    public function against(float $limit, bool $atLeast): RunOutcome
    {
        return RunOutcome::ofRange($this->low() - $this->step / 2, $this->atLeast ? \INF : $this->high() + $this->step / 2, $limit, $atLeast);
    }
}
