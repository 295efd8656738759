<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

use Sitzplatz\Words\Sentence;

/**
 * Holding force of the end of a part over the pull that wants to lift it. Above 1 it should stay down. The sum is rough:
 * the span says how rough.
 */
final readonly class HoldMargin
{
    /** By so much the demand may be off either way (our own estimate); half of it once own lifts have set the scale. */
    private const ROUGH = 2.0;
    private const CALIBRATED = 1.5;

    private function __construct(
        public float $low,
        public float $middle,
        public float $high,
        public float $holdingN,
        public float $demandN,
        public float $endAreaMm2,
        public ?LiftCalibration $calibration,
    ) {
    }

    /** @param float $extraAreaMm2 what brim or ears add at the end */
    public static function of(PeelDemand $demand, float $widthMm, Strength $strength, float $extraAreaMm2 = 0.0, ?LiftCalibration $calibration = null): self
    {
        $area = $widthMm * $demand->stretchMm + $extraAreaMm2;
        $scale = $calibration?->scale() ?? 1.0;
        $rough = null === $calibration?->marginWhereItLifts ? self::ROUGH : self::CALIBRATED;
        $pull = $demand->forceN * $scale;
        // Where nothing pulls there is no ratio to speak of.
        $ratio = static fn (float $mpa): float => $pull > 1e-9 ? min(1000.0, $mpa * $area / $pull) : 1000.0;

        return new self(
            $ratio($strength->lowMpa) / $rough,
            $ratio($strength->middleMpa),
            min(1000.0, $ratio($strength->highMpa) * $rough),
            $strength->middleMpa * $area,
            $pull,
            $area,
            $calibration,
        );
    }

    /** What a brim adds at one end: a strip around it, and two quarter discs. */
    public static function brimAtEndMm2(float $brimMm, float $widthMm, float $stretchMm): float
    {
        return $brimMm * ($widthMm + 2 * $stretchMm) + \M_PI / 2 * $brimMm ** 2;
    }

    /** What a round ear over the middle of an end adds: the half of it that stands out. */
    public static function earAtEndMm2(float $radiusMm): float
    {
        return \M_PI / 2 * $radiusMm ** 2;
    }

    public function words(): Sentence
    {
        return Sentence::of(match (true) {
            $this->low >= 1 => 'margin.stays',
            $this->middle >= 1 => 'margin.should_stay',
            $this->high >= 1 => 'margin.likely_lifts',
            default => 'margin.lifts',
        });
    }
}
