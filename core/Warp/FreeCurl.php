<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/**
 * How a bar would curl if nothing held it down, after T.-M. Wang, J.-T. Xi and Y. Jin, A model research for prototype
 * warp deformation in the FDM process, Int. J. Adv. Manuf. Technol. 33 (2007), from memory:
 * R = n³·Δh ÷ (6·α·(Tg − Te)·(n − 1)), lift δ = R·(1 − cos(L ÷ 2R)). Held against practice it gives far too little, so
 * it serves as a drive by which setups are compared, and never as a lift to expect.
 */
final readonly class FreeCurl
{
    /** Infinite where nothing drives it. */
    public float $radiusMm;
    public float $liftMm;

    /**
     * @param int   $layers        n, from 2
     * @param float $expansionPerK α
     * @param float $drivingK      Tg − the temperature that the part cools to in the print; below zero nothing drives
     *
     * @throws BadWarp
     */
    public function __construct(float $lengthMm, int $layers, float $layerHeightMm, float $expansionPerK, float $drivingK)
    {
        $layers >= 2 || throw BadWarp::layers();
        $lengthMm > 0 || throw BadWarp::notPositive('length');
        $layerHeightMm > 0 || throw BadWarp::notPositive('layer_height');
        $expansionPerK > 0 || throw BadWarp::notPositive('expansion');
        if ($drivingK <= 0) {
            $this->radiusMm = \INF;
            $this->liftMm = 0.0;

            return;
        }
        $this->radiusMm = $layers ** 3 * $layerHeightMm / (6 * $expansionPerK * $drivingK * ($layers - 1));
        $half = $lengthMm / (2 * $this->radiusMm);
        // 2 sin²(x/2) keeps its digits where 1 − cos x loses them; past half a turn there is no more to lift.
        $this->liftMm = $half >= \M_PI ? 2 * $this->radiusMm : 2 * $this->radiusMm * sin($half / 2) ** 2;
    }
}
