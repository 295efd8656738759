<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A test piece with a rectangular base that is pulled sideways at a height above the plate. */
final readonly class TestPiece
{
    /** An eye and the wall above it, of our pull block. */
    private const ABOVE_PULL_MM = 5.5;

    public function __construct(
        public string $name,
        /** Base length along the pull, mm. */
        public float $alongPullMm,
        /** Base width across the pull, mm. */
        public float $acrossPullMm,
        /** Height of the pull above the plate, mm. */
        public float $pullHeightMm,
        /** Of a design of one's own, mm²; null: its base is a rectangle. */
        public ?float $ownAreaMm2 = null,
        /** Its section modulus against the tipping moment, mm³; null likewise. */
        public ?float $ownSectionMm3 = null,
    ) {
    }

    public function contactAreaMm2(): float
    {
        return $this->ownAreaMm2 ?? $this->alongPullMm * $this->acrossPullMm;
    }

    /** What a piece takes at most, mm³: solid over all of its foot, up to a little above the pull. */
    public function mostMm3(): float
    {
        return $this->contactAreaMm2() * ($this->pullHeightMm + self::ABOVE_PULL_MM);
    }

    /** Mean shear stress τ = F/A in MPa (N/mm²). */
    public function shearStressMpa(float $forceN): float
    {
        return $forceN / $this->contactAreaMm2();
    }

    /** Peel stress at the edge by the tipping moment, σ = F·h/W, of a rectangle 6·F·h/(b·L²) with L along the pull, in MPa. */
    public function edgePeelStressMpa(float $forceN): float
    {
        return $forceN * $this->pullHeightMm / ($this->ownSectionMm3 ?? $this->acrossPullMm * $this->alongPullMm ** 2 / 6);
    }
}
