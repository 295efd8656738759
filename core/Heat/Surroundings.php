<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** The temperature that a part cools to while it is printed: the air around it, and how far the bed keeps it warmer. */
final readonly class Surroundings
{
    /** Of a printed plastic, W/mK (memory). */
    private const CONDUCTIVITY_WMK = 0.2;
    /** Natural convection and radiation around a part a few ten degrees warmer than the air, W/m²K (memory). */
    private const COEFFICIENT_WM2K = 12.0;

    /** The air around the part. */
    public static function celsius(float $roomC, ?float $bedC, bool $enclosed, ?float $chamberC): float
    {
        // A hot bed warms a closed box beyond what its own heater is set to.
        $box = ($enclosed || null !== $chamberC) && null !== $bedC ? ClosedBox::settledC($bedC, $roomC) : $roomC;

        return max($roomC, $box, $chamberC ?? $roomC);
    }

    /**
     * The mean over the height of a part that stands on a warm bed: a straight fin that loses heat at its top too (Incropera & DeWitt,
     * chapter 3, case A, from memory): θ(z) ÷ θ(bed) = (cosh m(H − z) + r·sinh m(H − z)) ÷ (cosh mH + r·sinh mH), m² = h·P ÷ (k·A),
     * r = h ÷ (m·k). A low part stays as warm as the bed, a tall one cools to the air.
     *
     * @param float|null $bedC at the surface; null: unheated
     */
    public static function inPart(float $airC, ?float $bedC, float $spanMm, float $widthMm, float $heightMm): float
    {
        if (null === $bedC) {
            return $airC;
        }
        $m = sqrt(self::COEFFICIENT_WM2K * 2e3 * ($spanMm + $widthMm) / ($spanMm * $widthMm) / self::CONDUCTIVITY_WMK);
        $r = self::COEFFICIENT_WM2K / ($m * self::CONDUCTIVITY_WMK);
        $x = $m * $heightMm / 1e3;
        if ($x < 1e-6) {
            return $bedC;
        }
        // Past this a tall part is the same however much taller it is, and cosh leaves the numbers.
        $t = tanh(min(300.0, $x));
        $sech = 1 / cosh(min(300.0, $x));

        return $airC + ($bedC - $airC) * ($t + $r * (1 - $sech)) / ($x * (1 + $r * $t));
    }
}
