<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\WeibullPivots;

/**
 * Bounds of the value that a tenth, or nine tenths, of Weibull values lie below: exp(û − q·b̂), where q is a quantile of the pivot
 * (û − u) ÷ b̂ of the maximum likelihood fit. Exact for that law whatever its shape and scale; between the tabled numbers of values and
 * levels drawn straight on logarithms.
 */
final readonly class WeibullTolerance
{
    /**
     * @param float $log    of the estimated value
     * @param float $spread of the logarithms: the reciprocal of the shape
     */
    private function __construct(private float $log, private float $spread, private bool $tenth, private int $n)
    {
    }

    /**
     * @param list<float> $values
     * @param bool        $tenth  of the value that a tenth lies below; else of that which nine tenths do
     * @param float       $least  what the spread of the values is at least, by the step of their instrument
     *
     * @throws InvalidArgument if there are fewer than three values, or one is not above 0
     */
    public static function of(array $values, bool $tenth, float $least = 0.0): self
    {
        $n = \count($values);
        if ($n < 3) {
            throw InvalidArgument::tooFew($n, 3);
        }
        if (min($values) <= 0) {
            throw InvalidArgument::notPositive(min($values));
        }
        $least /= array_sum($values) / $n;
        try {
            $fit = Weibull::of($values, []);
            [$scale, $spread] = [log($fit->scale), 1 / $fit->shape];
        } catch (InvalidArgument) {
            // Equal values have the spread that their step hides.
            [$scale, $spread] = [log($values[0]), 0.0];
        }
        $spread = max($spread, $least * sqrt(6) / \M_PI);

        return new self($scale + log(-log($tenth ? 0.9 : 0.1)) * $spread, $spread, $tenth, $n);
    }

    /** Below which the value lies in no more than a share $error of all samples. */
    public function lower(float $error): float
    {
        return exp($this->log - self::pivot($this->tenth, $this->n, 1 - $error) * $this->spread);
    }

    /** Above which it lies in no more than a share $error of all samples. */
    public function upper(float $error): float
    {
        return exp($this->log - self::pivot($this->tenth, $this->n, $error) * $this->spread);
    }

    private static function pivot(bool $tenth, int $n, float $level): float
    {
        /** @var array<string, float> $known a plan asks the same of each of its setups */
        static $known = [];

        return $known["$tenth/$n/$level"] ??= self::tabled($tenth, $n, $level);
    }

    private static function tabled(bool $tenth, int $n, float $level): float
    {
        $table = $tenth ? WeibullPivots::TENTH : WeibullPivots::NINE_TENTHS;
        $sizes = array_keys($table);
        $at = 0;
        while ($at < \count($sizes) - 2 && $sizes[$at + 1] < $n) {
            ++$at;
        }
        [$few, $many] = [$sizes[$at], $sizes[$at + 1]];
        $between = max(0.0, min(1.0, (1 / $few - 1 / $n) / (1 / $few - 1 / $many)));
        $fewer = self::atLevel($table[$few], $level);
        $more = self::atLevel($table[$many], $level);

        return ($fewer > 0 ? 1 : -1) * exp((1 - $between) * log(abs($fewer)) + $between * log(abs($more))) / sqrt($n);
    }

    /** @param list<float> $quantiles */
    private static function atLevel(array $quantiles, float $level): float
    {
        $levels = WeibullPivots::LEVELS;
        $half = intdiv(\count($levels), 2);
        // Those below a half and those above have each one sign; nobody asks in between.
        [$at, $last] = $level < 0.5 ? [0, $half - 2] : [$half, \count($levels) - 2];
        while ($at < $last && $levels[$at + 1] < $level) {
            ++$at;
        }
        [$low, $high] = [Normal::quantile($levels[$at]), Normal::quantile($levels[$at + 1])];
        $between = (Normal::quantile($level) - $low) / ($high - $low);

        return ($quantiles[$at] > 0 ? 1 : -1) * exp((1 - $between) * log(abs($quantiles[$at])) + $between * log(abs($quantiles[$at + 1])));
    }
}
