<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A test piece with a rectangular base that is pulled sideways at a height above the plate. */
final readonly class TestPiece
{
    public function __construct(
        public string $name,
        /** Base length along the pull, mm. */
        public float $alongPullMm,
        /** Base width across the pull, mm. */
        public float $acrossPullMm,
        /** Height of the pull above the plate, mm. */
        public float $pullHeightMm,
    ) {
    }

    public function contactAreaMm2(): float
    {
        return $this->alongPullMm * $this->acrossPullMm;
    }

    /** Mean shear stress τ = F/A in MPa (N/mm²). */
    public function shearStressMpa(float $forceN): float
    {
        return $forceN / $this->contactAreaMm2();
    }

    /** Peel stress at the edge by the tipping moment, σ = 6·F·h/(b·L²) with L along the pull, in MPa. */
    public function edgePeelStressMpa(float $forceN): float
    {
        return 6 * $forceN * $this->pullHeightMm / ($this->acrossPullMm * $this->alongPullMm ** 2);
    }
}
