<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** The χ² distribution. */
final readonly class ChiSquared
{
    /** @throws InvalidArgument if the degrees of freedom are not positive */
    public function __construct(public float $df)
    {
        $df > 0 || throw InvalidArgument::degreesOfFreedom($df);
    }

    /** P(X > x). */
    public function upperP(float $x): float
    {
        return SpecialFunctions::upperIncompleteGamma($this->df / 2, $x / 2);
    }
}
