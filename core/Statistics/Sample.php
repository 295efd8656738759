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
        $low = $this->bound(1 - (1 - $confidence) / 2);

        return null === $low ? null : new Interval($low, 2 * (float) $this->mean - $low);
    }

    /** One-sided lower bound of the mean at the given confidence; null for fewer than two readings. */
    public function lowerBound(float $confidence = 0.95): ?float
    {
        return $this->bound($confidence);
    }

    /** One-sided upper bound of the mean at the given confidence; null for fewer than two readings. */
    public function upperBound(float $confidence = 0.95): ?float
    {
        $low = $this->bound($confidence);

        return null === $low ? null : 2 * (float) $this->mean - $low;
    }

    private function bound(float $quantile): ?float
    {
        if (null === $this->sd || null === $this->mean) {
            return null;
        }

        return $this->mean - (new StudentT($this->n - 1))->quantile($quantile) * $this->sd / sqrt($this->n);
    }
}
