<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** That two things succeed, of which each has a share of its own. */
final readonly class ShareOfBoth
{
    private const STEP = 0.25;
    private const REACH = 5.0;
    private const MOST_STEPS = 12;
    /** On log-odds: less than anybody sees. */
    private const NEAR = 1e-4;

    /** Log-odds of the middle, and how much they move with those of the one and of the other. */
    public float $logOdds;
    public float $withOne;
    public float $withOther;

    public function __construct(public LogisticNormal $one, public LogisticNormal $other)
    {
        [$p, $q] = [$one->median(), $other->median()];
        $this->logOdds = log($p * $q / (1 - $p * $q));
        $this->withOne = (1 - $p) / (1 - $p * $q);
        $this->withOther = (1 - $q) / (1 - $p * $q);
    }

    public function mean(): float
    {
        return $this->one->share() * $this->other->share();
    }

    /**
     * The chance that the product is below a share strictly between nought and one; by straight pieces over the narrower of both, so that what is
     * summed is smooth.
     */
    public function cdf(float $share): float
    {
        $sum = $weights = 0.0;
        [$narrow, $wide] = $this->one->variance < $this->other->variance ? [$this->one, $this->other] : [$this->other, $this->one];
        $spread = sqrt($wide->variance);
        for ($z = -self::REACH; $z <= self::REACH; $z += self::STEP) {
            $at = LogisticNormal::logistic($narrow->mean + $z * sqrt($narrow->variance));
            $weight = exp(-$z ** 2 / 2);
            $weights += $weight;
            $sum += $weight * ($at <= $share ? 1.0 : Normal::cdf((log($share / ($at - $share)) - $wide->mean) / $spread));
        }

        return $sum / $weights;
    }

    /** The central 90 % of the product. */
    public function interval(): Interval
    {
        return new Interval($this->quantile(0.05), $this->quantile(0.95));
    }

    /**
     * How sure it is that this one is more than another, where the first of each hang together, and the second of each: by the delta method on
     * log-odds of both, where they are nearly normal.
     *
     * @param float $ones   covariance of the log-odds of the one of each
     * @param float $others and of the other of each
     */
    public function exceeds(self $than, float $ones, float $others): float
    {
        $variance = self::apart($this->withOne, $this->one, $than->withOne, $than->one, $ones)
            + self::apart($this->withOther, $this->other, $than->withOther, $than->other, $others);

        return $variance > 0.0 ? Normal::cdf(($this->logOdds - $than->logOdds) / sqrt($variance)) : 0.5;
    }

    private static function apart(float $times, LogisticNormal $one, float $timesOther, LogisticNormal $other, float $together): float
    {
        return max(0.0, $times ** 2 * $one->variance + $timesOther ** 2 * $other->variance - 2 * $times * $timesOther * $together);
    }

    /** By secants on log-odds of both, from where a normal distribution would have it: there it is nearly straight. */
    private function quantile(float $p): float
    {
        $spread = sqrt($this->withOne ** 2 * $this->one->variance + $this->withOther ** 2 * $this->other->variance);
        $wanted = log($p / (1 - $p));
        $off = function (float $t) use ($wanted): float {
            $f = min(1 - 1e-15, max(1e-15, $this->cdf(LogisticNormal::logistic($t))));

            return log($f / (1 - $f)) - $wanted;
        };
        $at = $this->logOdds + ($p < 0.5 ? -1.645 : 1.645) * $spread;
        $next = $at + 0.1 * $spread;
        [$was, $is] = [$off($at), $off($next)];
        for ($step = 0; $step < self::MOST_STEPS && abs($next - $at) > self::NEAR && abs($is - $was) > 0.0; ++$step) {
            [$at, $next] = [$next, $next - $is * ($next - $at) / ($is - $was)];
            [$was, $is] = [$is, $off($next)];
        }

        return LogisticNormal::logistic($next);
    }
}
