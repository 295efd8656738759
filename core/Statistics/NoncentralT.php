<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * The noncentral t distribution, (Z + δ)/√(χ²_ν/ν): P(T ≤ t) = ∫ Φ(t·s − δ) f(s) ds with s = χ_ν/√ν. After u = ln s the
 * integrand falls off like a normal density at both ends, where the trapezoidal rule is close to double precision.
 */
final readonly class NoncentralT
{
    private const STEPS = 120;

    /** @throws InvalidArgument if the degrees of freedom are not positive */
    public function __construct(public float $df, public float $noncentrality)
    {
        $df > 0 || throw InvalidArgument::degreesOfFreedom($df);
    }

    /** P(T ≤ t). */
    public function cdf(float $t): float
    {
        $spread = 1 / sqrt(2 * $this->df);
        $from = -max(9 * $spread, 36 / $this->df);
        $step = (9 * $spread - $from) / self::STEPS;
        $half = $this->df / 2;
        $log = \M_LN2 + $half * log($half) - SpecialFunctions::lnGamma($half);
        $sum = 0.0;
        for ($i = 0; $i <= self::STEPS; ++$i) {
            $u = $from + $i * $step;
            $sum += exp($log + $this->df * $u - $half * exp(2 * $u)) * SpecialFunctions::normalCdf($t * exp($u) - $this->noncentrality);
        }

        return min(1.0, $sum * $step);
    }

    /**
     * The t below which the share p lies.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public function quantile(float $p): float
    {
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);
        [$low, $high] = [$this->noncentrality - 4, $this->noncentrality + 4];
        for ($reach = 8.0; $this->cdf($low) > $p; $reach *= 2) {
            $low -= $reach;
        }
        for ($reach = 8.0; $this->cdf($high) < $p; $reach *= 2) {
            $high += $reach;
        }

        return Root::between(fn (float $t): float => $this->cdf($t) - $p, $low, $high);
    }
}
