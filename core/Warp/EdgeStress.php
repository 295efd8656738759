<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/**
 * What pulls at the edge of a part that would draw itself together and is held to its length: shear lag over a bond that gives a little
 * (O. Volkersen 1938, from memory), λ = √(E·h·c), σ = ε·√(E·h ÷ c·F)·tanh(L ÷ 2λ). With F 1 and L long, σ²·c ÷ 2 = ½·E·h·ε² is the energy that a
 * layer on a stiff ground sets free for each area that comes off (J. W. Hutchinson and Z. Suo 1992, from memory); where more or less than
 * a full bar holds at its end, F, that energy is shared by so much. It rises with length, steeply at first, and levels off beyond a few λ.
 *
 * Of a high part only what lies within about half its length of the plate is held by it: h = H·L ÷ (L + 2H), and its end is as long as
 * that is high, twice over (Saint-Venant). Around a square corner
 * half as much foot lies as along a side, so the energy doubles (expected in
 * practice, not measured). A print that is over before its part has cooled has not pulled yet: lift shows within the first hour (common
 * practice).
 */
final readonly class EdgeStress
{
    /** How far bond and warm foot give, c, mm/MPa: fitted to cases of practice (WarpPracticeTest). */
    public const GIVES_MM_MPA = 0.6;
    private const HIGH = 2.0;
    private const CORNER = \M_SQRT2;
    /** Two thirds of the pull are there after so long, min (ours, from "within the first hour"). */
    public const SETTLES_MINUTES = 30.0;

    /** How much of the height counts, h, mm. */
    public float $heightMm;
    /** How far from the edge the pull reaches, λ, mm. */
    public float $reachMm;
    /** How much holds at an end, as a share of the foot of a full bar, F; brim and ears add to it. */
    public float $footing;
    /** Share of the pull that has come by the end of the print. */
    public float $there;
    public float $mpa;

    /**
     * @param float      $strain  ε: α·(where it stiffens − what it cools to)
     * @param float      $touches share of the bar's foot that touches
     * @param float      $brimMm  width of a brim
     * @param float      $earMm   radius of the ear at an end
     * @param bool       $square  whether it has corners
     * @param float|null $minutes of the print; null: long enough
     *
     * @throws BadWarp
     */
    public function __construct(
        public float $strain,
        float $spanMm,
        float $widthMm,
        float $heightMm,
        float $modulusMpa,
        float $touches = 1.0,
        float $brimMm = 0.0,
        float $earMm = 0.0,
        bool $square = false,
        ?float $minutes = null,
    ) {
        $spanMm > 0 || throw BadWarp::notPositive('length');
        $widthMm > 0 || throw BadWarp::notPositive('width');
        $heightMm > 0 || throw BadWarp::notPositive('height');
        $modulusMpa > 0 || throw BadWarp::notPositive('modulus');
        $touches > 0 || throw BadWarp::notPositive('contact');
        $this->heightMm = $heightMm * $spanMm / ($spanMm + self::HIGH * $heightMm);
        $this->reachMm = sqrt($modulusMpa * $this->heightMm * self::GIVES_MM_MPA);
        $end = min(self::HIGH * $this->heightMm, $spanMm / 2);
        // A brim: a strip around the end, and two quarter discs; an ear: the half of it that stands out.
        $added = $brimMm * ($widthMm + 2 * $end) + \M_PI / 2 * ($brimMm ** 2 + $earMm ** 2);
        $this->footing = $touches + $added / ($widthMm * $end);
        $this->there = null === $minutes ? 1.0 : 1 - exp(-$minutes / self::SETTLES_MINUTES);
        $this->mpa = max(0.0, $strain)
            * sqrt($modulusMpa * $this->heightMm / (self::GIVES_MM_MPA * $this->footing))
            * tanh($spanMm / (2 * $this->reachMm))
            * ($square ? self::CORNER : 1.0)
            * $this->there;
    }
}
