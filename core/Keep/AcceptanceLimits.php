<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Test\Effort;

/** What each run, and the pulls together, have to meet. */
final readonly class AcceptanceLimits
{
    public function __construct(
        public float $hotPullAtLeastN,
        public float $coldPullAtMostN,
        public Effort $effortAtMost,
    ) {
    }
}
