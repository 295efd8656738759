<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

use Sitzplatz\Words\Sentence;

/**
 * What the seat of a part bears at its edge over what pulls there. Words and chance are both the margin's: that it lifts by itself has
 * the odds 1 ÷ m². The sum is rough: the span says how rough.
 */
final readonly class HoldMargin
{
    /** A bond bears so much of its pull-block strength where it is peeled from an edge; fitted to cases of practice (WarpPracticeTest). */
    public const AT_THE_EDGE = 0.4;
    /** How steeply the odds go with the margin; fitted likewise. */
    public const STEEP = 2.0;
    /** By so much the stress may be off either way (our own estimate); half of it once own lifts have set the scale. */
    private const ROUGH = 2.0;
    private const CALIBRATED = 1.5;
    private const MOST = 1000.0;
    /** Chances of lifting up to which it stays down, should stay, may lift, is likely to lift. */
    private const WORDS = ['margin.stays' => 0.07, 'margin.should_stay' => 0.2, 'margin.may_lift' => 0.5, 'margin.likely_lifts' => 0.85];

    private function __construct(
        public float $low,
        public float $middle,
        public float $high,
        /** What the seat bears at the edge, and what pulls there, MPa. */
        public float $bearsMpa,
        public float $pullsMpa,
    ) {
    }

    /** @param float $grip how much better or worse this pair holds here than its strength says: heat, gap and nozzle */
    public static function of(EdgeStress $stress, Strength $strength, float $grip = 1.0, ?LiftCalibration $calibration = null): self
    {
        $pulls = $stress->mpa * ($calibration?->scale() ?? 1.0);
        $rough = null === $calibration?->marginWhereItLifts ? self::ROUGH : self::CALIBRATED;
        // Where nothing pulls there is no ratio to speak of.
        $ratio = static fn (float $mpa): float => $pulls > 1e-9 ? min(self::MOST, self::AT_THE_EDGE * $grip * $mpa / $pulls) : self::MOST;

        return new self(
            $ratio($strength->lowMpa) / $rough,
            $ratio($strength->middleMpa),
            min(self::MOST, $ratio($strength->highMpa) * $rough),
            self::AT_THE_EDGE * $grip * $strength->middleMpa,
            $pulls,
        );
    }

    /** That it lifts, by its warp alone. */
    public function lifts(): float
    {
        return $this->odds() / (1 + $this->odds());
    }

    public function odds(): float
    {
        return max(1e-9, $this->middle) ** -self::STEEP;
    }

    public function words(): Sentence
    {
        $lifts = $this->lifts();
        foreach (self::WORDS as $words => $most) {
            if ($lifts <= $most) {
                return Sentence::of($words);
            }
        }

        return Sentence::of('margin.lifts');
    }
}
