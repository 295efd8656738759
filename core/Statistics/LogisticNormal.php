<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A share whose log-odds are normal. */
final readonly class LogisticNormal
{
    /** For 5 % on either side. */
    private const Z95 = 1.6448536269514722;
    /** Standard deviations; sums of a smooth function under a normal density are good to ten digits with such steps. */
    private const REACH = 6.0;
    private const STEP = 0.375;

    public function __construct(
        /** Of the log-odds. */
        public float $mean,
        /** Of the log-odds. */
        public float $variance,
    ) {
    }

    /** The share that log-odds stand for. */
    public static function logistic(float $at): float
    {
        return 1 / (1 + exp(-$at));
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

    /** The middle: half of what is believed lies above. */
    public function median(): float
    {
        return self::logistic($this->mean);
    }

    /** As what is believed of a rate usually is written: with the same mean and spread of the share (moments by summing over the log-odds). */
    public function asBeta(): Beta
    {
        return Beta::ofMoments(self::allOf([[$this, 1]]), self::allOf([[$this, 2]]));
    }

    /**
     * The chance that all succeed which hang together entirely: so many of each, where the one is as far off as the other. By straight pieces over
     * what they share.
     *
     * @param list<array{self, int}> $each
     */
    public static function allOf(array $each): float
    {
        $sum = $weights = 0.0;
        for ($z = -self::REACH; $z <= self::REACH; $z += self::STEP) {
            $product = 1.0;
            foreach ($each as [$of, $times]) {
                $product *= self::logistic($of->mean + $z * sqrt($of->variance)) ** $times;
            }
            $weight = exp(-$z ** 2 / 2);
            $sum += $weight * $product;
            $weights += $weight;
        }

        return $sum / $weights;
    }
}
