<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What a shop of one person may do where else a second one is wanted: wait, and have it marked wherever the evidence is
 * shown.
 */
final readonly class OnePersonShop
{
    /** Long enough to sleep over it. */
    public const USUAL_WAIT_S = 12 * 3600.0;

    public function __construct(
        public bool $allowed = false,
        /** Between seeing an outcome and declaring the run void, s. */
        public float $waitSeconds = self::USUAL_WAIT_S,
    ) {
    }
}
