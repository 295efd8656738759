<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** A side with an agent at a setting, for which a validated profile in scope and out of doubt vouches. */
final readonly class ProvenSeat
{
    /** Nobody changes a bed by less. */
    private const SAME_K = 0.05;
    /** Nor an exposure. */
    private const SAME_S = 0.05;

    public function __construct(
        public string $sideId,
        /** The kind; null: bare. */
        public ?string $agentId,
        /** On the display; null: unheated. */
        public ?float $bedC,
        /** On the display after the first layer; null: as in the first layer. */
        private ?float $bedOtherC = null,
        /** For which it vouches; null: for the printer of the job, whichever that is. */
        public ?string $printerId = null,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS = null,
        /** For jobs up to which it vouches, where the job does not say how long it takes; null: it is known to be inside. */
        public ?float $upToMinutes = null,
    ) {
    }

    /** What the display is set to after the first layer, °C; null: it is left as it is. */
    public function thenC(): ?float
    {
        return null === $this->bedC || null === $this->bedOtherC || abs($this->bedC - $this->bedOtherC) < self::SAME_K ? null : $this->bedOtherC;
    }

    /**
     * Whether it is this setting that was proven; nobody sets a display finer than whole degrees.
     *
     * @param float|null $exposureS of a resin; null: a filament
     */
    public function isAt(?float $displayC, ?float $exposureS = null): bool
    {
        if (null !== $exposureS || null !== $this->exposureS) {
            return null !== $exposureS && null !== $this->exposureS && abs($exposureS - $this->exposureS) < self::SAME_S;
        }

        return null === $this->bedC || null === $displayC ? $this->bedC === $displayC : abs($this->bedC - $displayC) < 0.5;
    }
}
