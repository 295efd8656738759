<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Sample;

/** The difference of two means whose spreads need not be alike (Welch 1947). */
final readonly class WelchDifference
{
    private function __construct(
        /** Mean of b minus mean of a. */
        public float $value,
        /** Of the difference. */
        public float $variance,
        public float $df,
    ) {
    }

    /** @throws InvalidArgument if a sample has fewer than two values, or neither has any spread */
    public static function of(Sample $a, Sample $b): self
    {
        foreach ([$a, $b] as $sample) {
            if (null === $sample->mean || null === $sample->sd) {
                throw InvalidArgument::tooFew($sample->n, 2);
            }
        }
        $va = $a->sd ** 2 / $a->n;
        $vb = $b->sd ** 2 / $b->n;
        if ($va + $vb <= 0) {
            throw InvalidArgument::noSpread($a->n + $b->n);
        }

        return new self($b->mean - $a->mean, $va + $vb, ($va + $vb) ** 2 / ($va ** 2 / ($a->n - 1) + $vb ** 2 / ($b->n - 1)));
    }
}
