<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** The first-layer gap of the last run of a material that held on a side of a printer. */
final readonly class LastGap
{
    public function __construct(
        /** Mm, by the feeler or as the offset of the machine. */
        public float $mm,
        public string $feeler,
        /** Day, ISO 8601. */
        public string $on,
    ) {
    }
}
