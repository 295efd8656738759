<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** The standard normal distribution. */
final class Normal
{
    /** P(Z ≤ z). */
    public static function cdf(float $z): float
    {
        return SpecialFunctions::normalCdf($z);
    }

    /**
     * The z below which the share p lies.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public static function quantile(float $p): float
    {
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);
        if ($p > 0.5) {
            return -self::quantile(1 - $p);
        }

        return Root::between(static fn (float $z): float => SpecialFunctions::normalCdf($z) - $p, -39.0, 0.0);
    }
}
