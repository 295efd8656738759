<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\Reading;
use Sitzplatz\Words\Phrase;

/** A reading stands from now on, in place of an earlier one if there was one. */
final readonly class ReadingTaken implements RunFact
{
    public function __construct(
        public Reading $reading,
        public int $place = 1,
        /** Id of the reading that it crosses out. */
        public ?string $replaces = null,
        /** Why; null for the first of its kind. */
        public ?Phrase $reason = null,
    ) {
    }
}
