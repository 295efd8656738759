<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * The studentized range of k means with ν degrees of freedom.
 *
 * P(Q ≤ q) = ∫ f_ν(s) · k ∫ φ(z) [Φ(z) − Φ(z − q·s)]^(k−1) dz ds, with s = χ_ν/√ν. Both integrands fall off like
 * a normal density at both ends (the outer one after s = eᵘ), where the trapezoidal rule converges faster than any
 * power of the step (Trefethen & Weideman 2014), so a coarse grid gives close to full double precision.
 */
final class StudentizedRange
{
    private const INNER_STEP = 0.2;
    private const INNER_REACH = 8.4;
    private const OUTER_STEPS = 40;

    /** @var list<float> */
    private array $density = [];

    /** @var list<float> */
    private array $lower = [];

    /**
     * @throws InvalidArgument if there are fewer than two groups, or the degrees of freedom are not positive
     */
    public function __construct(public readonly int $groups, public readonly float $df)
    {
        if ($groups < 2) {
            throw InvalidArgument::tooFew($groups, 2);
        }
        if (!($df > 0)) {
            throw InvalidArgument::degreesOfFreedom($df);
        }
        for ($z = -self::INNER_REACH; $z <= self::INNER_REACH + 1e-9; $z += self::INNER_STEP) {
            $this->density[] = exp(-0.5 * $z * $z) * self::INNER_STEP / sqrt(2 * \M_PI);
            $this->lower[] = SpecialFunctions::normalCdf($z);
        }
    }

    /** P(Q > q). */
    public function upperP(float $q): float
    {
        if ($q <= 0) {
            return 1.0;
        }
        // ln s is centred near 0 with spread 1/√(2ν): nine spreads either way, and a longer tail below for few degrees of freedom.
        $spread = 1 / sqrt(2 * $this->df);
        $low = -max(9 * $spread, 36 / $this->df);
        $high = 9 * $spread;
        $step = ($high - $low) / (self::OUTER_STEPS * max(1, ceil(($high - $low) / (20 * $spread))));
        $half = $this->df / 2;
        $log = \M_LN2 + $half * log($half) - SpecialFunctions::lnGamma($half);
        $upper = 0.0;
        for ($u = $low; $u <= $high + 1e-12; $u += $step) {
            $s = exp($u);
            $weight = exp($log + $this->df * $u - $half * $s * $s) * $step;
            if ($weight > 1e-18) {
                $upper += $weight * $this->upperRange($q * $s);
            }
        }

        return min(1.0, max(0.0, $upper));
    }

    /**
     * The value that Q exceeds with probability 1 − p.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public function quantile(float $p): float
    {
        if (!($p > 0 && $p < 1)) {
            throw InvalidArgument::probability($p);
        }
        $high = 4.0;
        while (1 - $this->upperP($high) < $p) {
            $high *= 2;
        }

        return SpecialFunctions::root(fn (float $q): float => 1 - $p - $this->upperP($q), 0.0, $high);
    }

    /** P(range of k standard normals > w). */
    private function upperRange(float $w): float
    {
        $sum = 0.0;
        $power = $this->groups - 1;
        foreach ($this->density as $i => $density) {
            $z = -self::INNER_REACH + $i * self::INNER_STEP;
            $sum += $density * ($this->lower[$i] - SpecialFunctions::normalCdf($z - $w)) ** $power;
        }

        return 1 - $this->groups * $sum;
    }
}
