<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** Counts of successes among independent trials. */
final readonly class Binomial
{
    /** @throws InvalidArgument if the number of trials is negative or the rate is not a probability */
    public function __construct(public int $trials, public float $rate)
    {
        if ($trials < 0) {
            throw InvalidArgument::tooFew($trials, 0);
        }
        ($rate >= 0 && $rate <= 1) || throw InvalidArgument::probability($rate);
    }

    /** P(X ≤ k). */
    public function cdf(int $k): float
    {
        if ($k < 0) {
            return 0.0;
        }
        if ($k >= $this->trials) {
            return 1.0;
        }

        return SpecialFunctions::incompleteBeta(1 - $this->rate, $this->trials - $k, $k + 1);
    }
}
