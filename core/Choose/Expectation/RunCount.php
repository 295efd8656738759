<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Test\Effort;

/** Own runs with one and the same end, so many of them. */
final readonly class RunCount
{
    public function __construct(
        public int $times,
        /** Null: not noted. */
        public ?bool $held,
        /** Null: not noted. */
        public ?Effort $effort,
        public bool $damaged,
        /** Whether the sheet that they were made on still lies there; else they say nothing of the side as it is. */
        public bool $onPresentSheet = true,
    ) {
    }

    /** Taken off without scraper and without harm to the plate; null: the release was not noted. */
    public function clean(): ?bool
    {
        return null === $this->effort ? null : $this->effort->value <= Effort::Flex->value && !$this->damaged;
    }
}
