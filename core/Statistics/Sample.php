<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** Exact readings of one setup, all in one unit; figures that need more readings than there are come as null. */
final readonly class Sample
{
    public int $n;

    public ?float $mean;

    /** Standard deviation with n − 1. */
    public ?float $sd;

    /** @param list<float> $values */
    public function __construct(public array $values)
    {
        $this->n = \count($values);
        // Of what exceeds the first reading, so that equal readings have no spread at all rather than one of rounding.
        $first = $values[0] ?? 0.0;
        $sum = 0.0;
        foreach ($values as $value) {
            $sum += $value - $first;
        }
        $this->mean = $this->n > 0 ? $first + $sum / $this->n : null;
        if ($this->n < 2) {
            $this->sd = null;

            return;
        }
        $beyond = $sum / $this->n;
        $squares = 0.0;
        foreach ($values as $value) {
            $squares += ($value - $first - $beyond) ** 2;
        }
        $this->sd = sqrt($squares / ($this->n - 1));
    }

    /** Two-sided t interval of the mean; null for fewer than two readings. */
    public function interval(float $confidence = 0.95): ?Interval
    {
        if (null === $this->sd || null === $this->mean) {
            return null;
        }
        $reach = (new StudentT($this->n - 1))->quantile(1 - (1 - $confidence) / 2) * $this->sd / sqrt($this->n);

        return new Interval($this->mean - $reach, $this->mean + $reach);
    }
}
