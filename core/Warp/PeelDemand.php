<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/**
 * What pulls at the end of a bar that is held flat although it would curl. The moment E·I·κ acts at its end, and the bond
 * is an elastic bed under it: the semi-infinite beam with an end moment of M. Hetényi, Beams on Elastic Foundation (1946),
 * from memory: pull per length p(x) = 2·M·β²·e^(−βx)·(cos βx − sin βx), β = (k·b ÷ 4·E·I)^¼. It pulls upwards as far as
 * x = π ÷ 4β; the force over that stretch is 2·M·β·e^(−π/4)·sin(π/4).
 */
final readonly class PeelDemand
{
    /** The soft part of the bond: so much of the part's own foot gives way, mm (our own choice; the force goes with its fourth root). */
    public const SOFT_FOOT_MM = 0.2;

    public float $momentNmm;
    /** 1/mm. */
    public float $beta;
    /** How far from the end it pulls upwards, mm. */
    public float $stretchMm;
    /** Upward pull over this stretch, N. */
    public float $forceN;
    /** Right at the end, MPa. */
    public float $edgeMpa;

    /** @throws BadWarp */
    public function __construct(FreeCurl $curl, float $widthMm, float $heightMm, float $modulusMpa)
    {
        $widthMm > 0 || throw BadWarp::notPositive('width');
        $heightMm > 0 || throw BadWarp::notPositive('height');
        $modulusMpa > 0 || throw BadWarp::notPositive('modulus');
        $stiffness = $modulusMpa * $widthMm * $heightMm ** 3 / 12;
        $this->momentNmm = is_finite($curl->radiusMm) ? $stiffness / $curl->radiusMm : 0.0;
        $this->beta = ($modulusMpa / self::SOFT_FOOT_MM * $widthMm / (4 * $stiffness)) ** 0.25;
        $this->stretchMm = \M_PI / 4 / $this->beta;
        $this->forceN = 2 * $this->momentNmm * $this->beta * exp(-\M_PI / 4) * sin(\M_PI / 4);
        $this->edgeMpa = 2 * $this->momentNmm * $this->beta ** 2 / $widthMm;
    }
}
