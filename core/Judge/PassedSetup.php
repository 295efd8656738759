<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** A setup that holds and lets go, with what speaks for using it rather than another. */
final readonly class PassedSetup
{
    /** @param list<int> $efforts how hard each part came off */
    public function __construct(
        public string $name,
        public array $efforts,
        /** Whether a coat is used up on it. */
        public bool $consumes,
        /** °C; null: unheated. */
        public ?float $bedC,
        /** Of plate and coat, in the shop's money; null: not known. */
        public ?float $costPerPrint,
    ) {
    }

    public function meanEffort(): ?float
    {
        return [] === $this->efforts ? null : array_sum($this->efforts) / \count($this->efforts);
    }
}
