<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Words\Sentence;

/** The answer to one question ("does it hold?"), why, and how many more pulls would settle it. */
final readonly class Finding
{
    /** @param list<Sentence> $reasons the deciding one first */
    public function __construct(
        public Answer $answer,
        public array $reasons,
        /** Further pulls of its kind, beyond the planned runs; null if more of them would not settle it. */
        public ?int $morePulls = 0,
    ) {
    }
}
