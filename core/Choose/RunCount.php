<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

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
    ) {
    }

    /** Taken off without scraper and without harm to the plate; null: the release was not noted. */
    public function clean(): ?bool
    {
        return null === $this->effort ? null : $this->effort->value <= Effort::Flex->value && !$this->damaged;
    }
}
