<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** Two one-sided tests that two means differ by less than a margin (Schuirmann 1987), each by Welch. */
final readonly class Equivalence
{
    /**
     * The larger p of both: below 0.05 the two are alike within the margin.
     *
     * @throws InvalidArgument if the margin is not above 0, or there is no spread
     */
    public static function p(Sample $a, Sample $b, float $margin): float
    {
        if (!($margin > 0)) {
            throw InvalidArgument::notPositive();
        }
        if (null === $a->mean || null === $b->mean || null === $a->sd || null === $b->sd) {
            throw InvalidArgument::tooFew(min($a->n, $b->n), 2);
        }
        $va = $a->sd ** 2 / $a->n;
        $vb = $b->sd ** 2 / $b->n;
        if ($va + $vb <= 0) {
            throw InvalidArgument::noSpread();
        }
        $t = new StudentT(($va + $vb) ** 2 / ($va ** 2 / ($a->n - 1) + $vb ** 2 / ($b->n - 1)));
        $error = sqrt($va + $vb);
        $difference = $b->mean - $a->mean;

        return max(1 - $t->cdf(($difference + $margin) / $error), $t->cdf(($difference - $margin) / $error));
    }
}
