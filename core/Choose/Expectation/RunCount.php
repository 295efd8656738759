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
        /** Whether the plate was; null: not noted. */
        public ?bool $damaged,
    ) {
    }

    /** Taken off without scraper and without harm to the plate; null: what was noted of the release does not say so. */
    public function clean(): ?bool
    {
        return match (true) {
            true === $this->damaged, null !== $this->effort && $this->effort->value > Effort::Flex->value => false,
            null === $this->effort, null === $this->damaged => null,
            default => true,
        };
    }
}
