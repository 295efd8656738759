<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Statistics\StudentT;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\PullRule;

/**
 * How many standard errors below the mean the bound lies that decides, at each look of a plan: of the mean itself, or of
 * the value that nine parts in ten exceed (one-sided normal tolerance bound, NIST/SEMATECH handbook 7.2.6.3). One look
 * takes Student's and the noncentral t; a look after every run takes bounds on the joint law of the t statistics.
 */
final class Bounds
{
    /** @var array<string, self> the same for every setup of a plan */
    private static array $known = [];

    /** @var array<string, float> */
    private array $levels = [];

    /**
     * @param array<int, float> $below standard errors by the number of readings: mean − this is the lower bound
     * @param array<int, float> $above mean − this is the upper bound
     */
    private function __construct(public readonly array $below, public readonly array $above, private readonly float $shift)
    {
    }

    public static function of(PullRule $rule, Design $design, int $planned, int $most, float $error): self
    {
        return self::$known["$rule->value/$design->value/$planned/$most/$error"] ??= Design::Fixed === $design
            ? self::once($rule, $planned, $error)
            : self::afterEach($rule, $most, $error);
    }

    /** The bounds of one look at so many readings. */
    public static function once(PullRule $rule, int $readings, float $error): self
    {
        $shift = self::shift($rule);
        if ($readings < SequentialT::FIRST_LOOK) {
            return new self([], [], $shift);
        }
        if ($shift > 0) {
            $t = new NoncentralT($readings - 1, $shift * sqrt($readings));

            return new self([$readings => $t->quantile(1 - $error)], [$readings => $t->quantile($error)], $shift);
        }
        $t = (new StudentT($readings - 1))->quantile(1 - $error);

        return new self([$readings => $t], [$readings => -$t], $shift);
    }

    /** How many sd above the limit the mean lies when the rule is just met. */
    public static function shift(PullRule $rule): float
    {
        return PullRule::NearlyAll === $rule ? Normal::quantile(Criterion::NEARLY_ALL) : 0.0;
    }

    /**
     * How often a bound of normal readings is wrong at one look taken by itself: at which another law's bound is to be taken there.
     *
     * @param bool $below of the lower bound; else of the upper one
     */
    public function level(int $look, bool $below): float
    {
        return $this->levels["$look/$below"] ??= $below
            ? 1 - (new NoncentralT($look - 1, $this->shift * sqrt($look)))->cdf($this->below[$look])
            : (new NoncentralT($look - 1, $this->shift * sqrt($look)))->cdf($this->above[$look]);
    }

    private static function afterEach(PullRule $rule, int $most, float $error): self
    {
        $shift = self::shift($rule);
        if ($most < SequentialT::FIRST_LOOK) {
            return new self([], [], $shift);
        }

        return new self(
            SequentialT::upperBounds($most, $error, $shift),
            array_map(static fn (float $t): float => -$t, SequentialT::upperBounds($most, $error, $shift > 0 ? -$shift : 0.0)),
            $shift,
        );
    }
}
