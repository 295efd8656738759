<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Reading;

/** The reading of a measure that stands now; earlier ones are crossed out by it. */
final readonly class StandingReading
{
    public function __construct(
        public string $id,
        public Reading $reading,
        /** Which of several places of a part it was read at, from 1; a part has one place for all but its lift. */
        public int $place = 1,
    ) {
    }
}
