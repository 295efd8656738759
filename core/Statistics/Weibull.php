<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * A Weibull distribution fitted by maximum likelihood where some values are known only from below: S(t) = exp(−(t ÷ scale)^shape)
 * (Lawless 2003, from memory).
 */
final readonly class Weibull
{
    /** χ² with one degree of freedom at 95 %. */
    private const DROP = 3.841458820694124;

    /** Far finer than anybody reads a force, and far fewer passes over the values than the last digit takes. */
    private const NEAR = 1e-9;
    private const MOST_STEPS = 12;

    /**
     * @param list<float>           $exact
     * @param non-empty-list<float> $all   with the lower bounds
     */
    private function __construct(public float $shape, public float $scale, private array $exact, private array $all)
    {
    }

    /**
     * @param list<float> $exact
     * @param list<float> $atLeast
     *
     * @throws InvalidArgument if fewer than two exact values differ, or one is not above 0
     */
    public static function of(array $exact, array $atLeast): self
    {
        if (\count($exact) < 2) {
            throw InvalidArgument::tooFew(\count($exact), 2);
        }
        $all = [...$exact, ...$atLeast];
        if (min($all) <= 0) {
            throw InvalidArgument::notPositive(min($all));
        }
        if (max($all) - min($exact) < 1e-12 * max($all)) {
            throw InvalidArgument::noSpread(\count($all));
        }
        $log = array_map(log(...), $all);
        $top = max($log);
        $meanOfEvents = array_sum(array_map(log(...), $exact)) / \count($exact);
        // The likelihood in the shape alone; of all about the largest, so that no power overflows.
        $beyond = array_map(static fn (float $each): float => $each - $top, $log);
        $score = static function (float $shape) use ($beyond, $top, $meanOfEvents): array {
            $sum = $weighted = $squared = 0.0;
            foreach ($beyond as $each) {
                $sum += $power = exp($shape * $each);
                $weighted += $power *= $each;
                $squared += $power * $each;
            }
            $mean = $weighted / $sum;

            return [1 / $shape - $mean - $top + $meanOfEvents, -1 / $shape ** 2 - $squared / $sum + $mean * $mean];
        };
        $spread = (new Sample($beyond))->sd;
        // π ÷ √6 is the standard deviation of the logarithms where the shape is 1.
        $shape = self::bestShape($score, \M_PI / sqrt(6) / max((float) $spread, 1e-12));
        $sum = array_sum(array_map(static fn (float $each): float => exp($shape * ($each - $top)), $log));

        return new self($shape, exp($top + log($sum / \count($exact)) / $shape), $exact, $all);
    }

    /** The value that a share of all exceeds. */
    public function exceededBy(float $share): float
    {
        return $this->scale * (-log($share)) ** (1 / $this->shape);
    }

    /**
     * What the value that a share exceeds may be, with 95 % confidence, by the profile of the likelihood: a Wald bound would
     * promise too much at few values.
     *
     * @throws InvalidArgument if the share is not strictly between 0 and 1
     */
    public function exceededByInterval(float $share): Interval
    {
        ($share > 0 && $share < 1) || throw InvalidArgument::probability($share);
        $c = -log($share);
        $best = $this->exceededBy($share);
        $logExact = array_map(log(...), $this->exact);
        $logAll = array_map(log(...), $this->all);
        $events = \count($logExact);
        $top = max($logAll);
        $sumOfEvents = array_sum($logExact);
        $last = $this->shape;
        $profile = static function (float $logQ) use ($c, $logAll, $top, $events, $sumOfEvents, &$last): float {
            $score = static function (float $shape) use ($c, $logAll, $top, $events, $sumOfEvents, $logQ): array {
                $sum = $weighted = $squared = 0.0;
                foreach ($logAll as $each) {
                    $sum += $power = exp($shape * ($each - $top));
                    $weighted += $power *= $each;
                    $squared += $power * $each;
                }
                $scaled = $c * self::power($shape, $top - $logQ);

                return [
                    $events / $shape + $sumOfEvents - $events * $logQ - $scaled * ($weighted - $logQ * $sum),
                    -$events / $shape ** 2 - $scaled * ($squared - 2 * $logQ * $weighted + $logQ ** 2 * $sum),
                ];
            };
            $last = self::bestShape($score, $last);

            return self::logLikelihood($last, $logQ, $c, $logAll, $events, $sumOfEvents);
        };
        $most = self::logLikelihood($this->shape, log($best), $c, $logAll, $events, $sumOfEvents);
        $fall = static fn (float $logQ): float => 2 * ($most - $profile($logQ)) - self::DROP;
        $ends = [];
        foreach ([-1, 1] as $way) {
            $step = 0.1;
            while ($fall(log($best) + $way * $step) < 0 && $step < 1e3) {
                $step *= 2;
            }
            $ends[] = exp(Root::between($fall, log($best), log($best) + $way * $step, self::NEAR));
        }

        return new Interval($ends[0], $ends[1]);
    }

    /**
     * Where the likelihood, concave in the shape, is largest: by Newton from a shape that is near, and safely where that strays.
     *
     * @param \Closure(float): array{float, float} $score its slope and the slope of that
     */
    private static function bestShape(\Closure $score, float $near): float
    {
        $shape = $near;
        for ($i = 0; $i < self::MOST_STEPS; ++$i) {
            [$slope, $bend] = $score($shape);
            $next = $shape - $slope / $bend;
            // Comparisons with what is no number are false.
            if (!($next > $shape / 2 && $next < 2 * $shape)) {
                break;
            }
            if (abs($next - $shape) <= self::NEAR * $next) {
                return $next;
            }
            $shape = $next;
        }

        return Root::near(static fn (float $at): float => $score($at)[0], $near, self::NEAR);
    }

    /** @param non-empty-list<float> $logAll */
    private static function logLikelihood(float $shape, float $logQ, float $c, array $logAll, int $events, float $sumOfEvents): float
    {
        $top = max($logAll);
        $sum = 0.0;
        foreach ($logAll as $each) {
            $sum += exp($shape * ($each - $top));
        }

        return $events * (log($c) + log($shape)) + $shape * ($sumOfEvents - $events * $logQ) - $sumOfEvents
            - $c * self::power($shape, $top - $logQ) * $sum;
    }

    /** So large that no value comes near it, and yet a number. */
    private static function power(float $shape, float $log): float
    {
        return exp(min(600.0, $shape * $log));
    }
}
