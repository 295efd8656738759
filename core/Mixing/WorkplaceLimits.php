<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

/** What a workplace may have of a vapour, ppm. */
final readonly class WorkplaceLimits
{
    public function __construct(
        /** Over a shift: recommended in the USA (REL), allowed there (PEL), and the usual European limit. */
        public float $recommended,
        public float $allowed,
        public float $european,
        /** Over a quarter of an hour, by European practice. */
        public float $shortTime,
    ) {
    }
}
