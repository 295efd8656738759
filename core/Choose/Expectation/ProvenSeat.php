<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** A side with an agent at a setting, for which a validated profile in scope and out of doubt vouches. */
final readonly class ProvenSeat
{
    public function __construct(
        public string $sideId,
        /** The kind; null: bare. */
        public ?string $agentId,
        /** On the display; null: unheated. */
        public ?float $bedC,
        /** On the display after the first layer; null: as in the first layer. */
        public ?float $bedOtherC = null,
    ) {
    }

    /** Whether it is this setting that was proven; nobody sets a display finer than whole degrees. */
    public function isAt(?float $displayC): bool
    {
        return null === $this->bedC || null === $displayC ? $this->bedC === $displayC : abs($this->bedC - $displayC) < 0.5;
    }
}
