<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\WelchDifference;

/** Two one-sided tests that two means differ by less than a margin (Schuirmann 1987), each by Welch. */
final readonly class Equivalence
{
    /**
     * The larger p of both: below 0.05 the two are alike within the margin.
     *
     * @throws InvalidArgument if the margin is not above 0, a sample has fewer than two values, or neither has any spread
     */
    public static function p(Sample $a, Sample $b, float $margin): float
    {
        $margin > 0 || throw InvalidArgument::notPositive($margin);
        $welch = WelchDifference::of($a, $b);
        $t = new StudentT($welch->df);
        $error = sqrt($welch->variance);

        return max($t->cdf(-($welch->value + $margin) / $error), $t->cdf(($welch->value - $margin) / $error));
    }
}
