<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/**
 * The studentized range of k means with ν degrees of freedom.
 *
 * P(Q > q) = ∫ f_ν(s) · P(R_k > q·s) ds with s = χ_ν/√ν, and P(R_k ≤ w) = k ∫ φ(z) [Φ(z) − Φ(z − w)]^(k−1) dz. Both
 * integrands fall off like a normal density at both ends (the outer one after v = ln w), where the trapezoidal rule
 * converges faster than any power of the step (Trefethen & Weideman 2014), so a coarse grid gives close to full double
 * precision. The outer grid is the same for every q, so that the inner integrals, which depend on k only, are
 * reckoned once.
 */
final class StudentizedRange
{
    private const INNER_STEP = 0.2;
    private const INNER_REACH = 8.4;
    /** The outer step, in spreads of ln s. */
    private const OUTER_STEP = 0.45;
    /** ln w beyond which the range of standard normals is not exceeded in double precision. */
    private const HIGHEST_LN_W = 3.2;

    /** @var array<string, array<int, float>> P(R_k > w) by groups and step, at the points of the outer grid */
    private static array $exceeded = [];

    private readonly float $step;
    private readonly float $spread;
    private readonly string $grid;

    /**
     * @throws InvalidArgument if there are fewer than two groups, or the degrees of freedom are not positive
     */
    public function __construct(public readonly int $groups, public readonly float $df)
    {
        if ($groups < 2) {
            throw InvalidArgument::tooFew($groups, 2);
        }
        $df > 0 || throw InvalidArgument::degreesOfFreedom($df);
        $this->spread = 1 / sqrt(2 * $df);
        // A power of two, so that many degrees of freedom share a grid.
        $this->step = 2 ** floor(log(self::OUTER_STEP * $this->spread, 2));
        $this->grid = $groups.'/'.$this->step;
    }

    /** P(Q > q). */
    public function upperP(float $q): float
    {
        if ($q <= 0) {
            return 1.0;
        }
        // ln s is centred near 0 with spread 1/√(2ν): nine spreads either way, and a longer tail below for few degrees of freedom.
        $centre = log($q);
        $from = (int) ceil(($centre - max(9 * $this->spread, 36 / $this->df)) / $this->step);
        $to = (int) floor(min($centre + 9 * $this->spread, self::HIGHEST_LN_W) / $this->step);
        $half = $this->df / 2;
        $log = \M_LN2 + $half * log($half) - SpecialFunctions::lnGamma($half);
        $upper = 0.0;
        for ($j = $from; $j <= $to; ++$j) {
            $u = $j * $this->step - $centre;
            $weight = exp($log + $this->df * $u - $half * exp(2 * $u)) * $this->step;
            if ($weight > 1e-18) {
                $upper += $weight * (self::$exceeded[$this->grid][$j] ??= $this->rangeExceeds(exp($j * $this->step)));
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
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);
        $high = 4.0;
        while (1 - $this->upperP($high) < $p) {
            $high *= 2;
        }

        return Root::between(fn (float $q): float => 1 - $p - $this->upperP($q), 0.0, $high);
    }

    /** P(range of k standard normals > w). */
    private function rangeExceeds(float $w): float
    {
        static $points = null;
        if (null === $points) {
            $points = [];
            for ($z = -self::INNER_REACH; $z <= self::INNER_REACH + 1e-9; $z += self::INNER_STEP) {
                $points[] = [$z, exp(-0.5 * $z * $z) * self::INNER_STEP / sqrt(2 * \M_PI), SpecialFunctions::normalCdf($z)];
            }
        }
        $sum = 0.0;
        $power = $this->groups - 1;
        foreach ($points as [$z, $density, $below]) {
            $sum += $density * ($below - SpecialFunctions::normalCdf($z - $w)) ** $power;
        }

        return 1 - $this->groups * $sum;
    }
}
