<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Test\TestPiece;

/** Own non-void runs of one material on one kind of surface with one agent, all with one test piece at one setting, summed up. */
final readonly class OwnPiece
{
    public function __construct(
        public TestPiece $piece,
        public float $roomC,
        /** On the display; null: unheated. */
        public ?float $bedC,
        public bool $enclosed,
        /** Runs for which it is known whether the part held. */
        public int $runs = 0,
        public int $held = 0,
        /** Hot pulls, lower bounds counted as they are. */
        public int $pulls = 0,
        public float $meanPullN = 0.0,
        public float $sdPullN = 0.0,
        public int $liftReadings = 0,
        public int $lifted = 0,
        public float $liftSumMm = 0.0,
    ) {
    }

    /**
     * What a pull of 1 N does to what holds the piece, MPa: the shear over its foot, or the peel at its edge by the
     * tipping moment where that is more. The end of a warping part is peeled too.
     */
    public function stressPerN(): float
    {
        return max($this->piece->shearStressMpa(1.0), $this->piece->edgePeelStressMpa(1.0));
    }
}
