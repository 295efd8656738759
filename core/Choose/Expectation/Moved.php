<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** What moves the grades of practice for one setup of one job. */
final readonly class Moved
{
    public function __construct(
        /** What it does whatever the side and the agent are. */
        public Sums $ofSurface,
        public Sums $ofSide,
        public Sums $ofAgent,
    ) {
    }

    /** @return list<Influence> */
    public function all(): array
    {
        return [...$this->ofAgent->all, ...$this->ofSurface->all, ...$this->ofSide->all];
    }

    /** @return array<string, float> by name, on log-odds: to be kept with what is printed */
    public function measures(): array
    {
        return $this->ofAgent->measures() + $this->ofSurface->measures() + $this->ofSide->measures();
    }
}
