<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** Student's t distribution with real degrees of freedom (DLMF 8.17 for its incomplete beta form). */
final class StudentT
{
    /** @var array<string, float> the same few are asked for again and again */
    private static array $quantiles = [];

    /** @throws InvalidArgument if the degrees of freedom are not positive */
    public function __construct(public readonly float $df)
    {
        $df > 0 || throw InvalidArgument::degreesOfFreedom($df);
    }

    /** P(|T| > |t|). */
    public function twoSidedP(float $t): float
    {
        return SpecialFunctions::incompleteBeta($this->df / ($this->df + $t * $t), $this->df / 2, 0.5);
    }

    /** P(T ≤ t). */
    public function cdf(float $t): float
    {
        $tail = 0.5 * $this->twoSidedP($t);

        return $t > 0 ? 1 - $tail : $tail;
    }

    /**
     * The t below which the share p lies.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public function quantile(float $p): float
    {
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);
        if ($p < 0.5) {
            return -$this->quantile(1 - $p);
        }

        return self::$quantiles["$this->df/$p"] ??= $this->upperQuantile($p);
    }

    private function upperQuantile(float $p): float
    {
        $high = 2.0;
        while ($this->cdf($high) < $p) {
            $high *= 2;
        }
        $tail = 2 * (1 - $p);

        return Root::between(fn (float $t): float => $tail - $this->twoSidedP($t), 0.0, $high);
    }
}
