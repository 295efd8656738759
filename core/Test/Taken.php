<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** Which instruments a plan judges by, beyond what eye and hand say. */
final readonly class Taken
{
    public function __construct(
        /** A gauge: each part gives a pull. */
        public bool $pulls = true,
        /** A calliper: each bar gives the lift of its ends. */
        public bool $lift = false,
    ) {
    }
}
