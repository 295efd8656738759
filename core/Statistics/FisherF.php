<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** Fisher's F distribution with real degrees of freedom. */
final readonly class FisherF
{
    /** @throws InvalidArgument if a number of degrees of freedom is not positive */
    public function __construct(public float $df1, public float $df2)
    {
        foreach ([$df1, $df2] as $df) {
            $df > 0 || throw InvalidArgument::degreesOfFreedom($df);
        }
    }

    /** P(F > f). */
    public function upperP(float $f): float
    {
        return $f <= 0 ? 1.0 : SpecialFunctions::incompleteBeta(
            $this->df2 / ($this->df2 + $this->df1 * $f),
            $this->df2 / 2,
            $this->df1 / 2,
        );
    }

    /**
     * The value below which the share p lies.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public function quantile(float $p): float
    {
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);
        $high = 1.0;
        while (1 - $this->upperP($high) < $p) {
            $high *= 2;
        }

        return Root::between(fn (float $f): float => 1 - $p - $this->upperP($f), 0.0, $high);
    }
}
