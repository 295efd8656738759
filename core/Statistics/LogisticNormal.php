<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A share whose log-odds are normal. */
final readonly class LogisticNormal
{
    /** For 5 % on either side. */
    private const Z95 = 1.6448536269514722;

    public function __construct(
        /** Of the log-odds. */
        public float $mean,
        /** Of the log-odds. */
        public float $variance,
    ) {
    }

    /** The mean of the share (MacKay 1992: σ(m ÷ √(1 + π·v/8)), within 0.01 of the integral). */
    public function share(): float
    {
        return self::logistic($this->mean / sqrt(1 + \M_PI * $this->variance / 8));
    }

    /** The central 90 %. */
    public function interval(): Interval
    {
        $half = self::Z95 * sqrt($this->variance);

        return new Interval(self::logistic($this->mean - $half), self::logistic($this->mean + $half));
    }

    private static function logistic(float $at): float
    {
        return 1 / (1 + exp(-$at));
    }
}
