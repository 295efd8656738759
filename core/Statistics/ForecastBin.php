<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** Forecasts of about the same chance, and how many came true. */
final readonly class ForecastBin
{
    public function __construct(
        public float $low,
        public float $high,
        public int $n,
        public int $happened,
        /** The mean of what was said. */
        public float $said,
        /** Of the share that came true (Clopper & Pearson, 95 %). */
        public Interval $interval,
    ) {
    }

    /** Of them, how many came true, 0 to 1. */
    public function share(): float
    {
        return $this->happened / $this->n;
    }
}
