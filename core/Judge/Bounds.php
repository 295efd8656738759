<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\NoncentralT;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Statistics\StudentT;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;

/**
 * How many standard errors below the mean the bound lies that decides, at each look of a plan: of the mean itself, or of
 * the value that nine parts in ten exceed (one-sided normal tolerance bound, NIST/SEMATECH handbook 7.2.6.3). One look
 * takes Student's and the noncentral t; a look after every run takes bounds on the joint law of the t statistics.
 */
final class Bounds
{
    /** @var array<string, self> the same for every setup of a plan */
    private static array $known = [];

    /**
     * @param array<int, float> $below standard errors by the number of readings: mean − this is the lower bound
     * @param array<int, float> $above mean − this is the upper bound
     */
    private function __construct(public readonly array $below, public readonly array $above)
    {
    }

    public static function of(Criterion $criterion, Design $design, int $planned, int $most): self
    {
        return self::$known["$criterion->value/$design->value/$planned/$most"] ??= Design::Fixed === $design
            ? self::once($criterion, $planned)
            : self::afterEach($criterion, $most);
    }

    /** The bounds of one look at so many readings. */
    public static function once(Criterion $criterion, int $readings): self
    {
        if ($readings < SequentialT::FIRST_LOOK) {
            return new self([], []);
        }
        if (Criterion::NearlyAll === $criterion) {
            $t = new NoncentralT($readings - 1, self::shift($criterion) * sqrt($readings));

            return new self([$readings => $t->quantile(1 - ProofPlan::ERROR)], [$readings => $t->quantile(ProofPlan::ERROR)]);
        }
        $t = (new StudentT($readings - 1))->quantile(1 - ProofPlan::ERROR);

        return new self([$readings => $t], [$readings => -$t]);
    }

    /** How many sd above the limit the mean lies when the criterion is just met. */
    public static function shift(Criterion $criterion): float
    {
        return Criterion::NearlyAll === $criterion ? Normal::quantile(Criterion::NEARLY_ALL) : 0.0;
    }

    private static function afterEach(Criterion $criterion, int $most): self
    {
        if ($most < SequentialT::FIRST_LOOK) {
            return new self([], []);
        }
        $shift = self::shift($criterion);

        return new self(
            SequentialT::upperBounds($most, ProofPlan::ERROR, $shift),
            array_map(static fn (float $t): float => -$t, SequentialT::upperBounds($most, ProofPlan::ERROR, $shift > 0 ? -$shift : 0.0)),
        );
    }
}
