<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Heat\Internal\ConductionGrid;

/** Cooling of a stack from the steady state of printing, with the heater off. The part on it is left out of the sum. */
final readonly class CoolDown
{
    private const LONGEST_S = 12 * 3600.0;
    /** Steps lengthen with time; the times come out within 3 % of those by short steps. */
    private const GROWTH = 1.08;

    /**
     * Until the surface is at the release temperature.
     *
     * @param Stack $stack all that cools together: bed and plate, or the plate alone
     *
     * @return float|null seconds; null if it does not get there, as the air is too warm
     */
    public static function seconds(Stack $stack, Cooling $way, float $fromC, float $toC, float $roomC): ?float
    {
        if ($fromC <= $toC) {
            return 0.0;
        }
        $airC = Cooling::Freezer === $way ? Cooling::FREEZER_C : $roomC;
        if ($airC >= $toC) {
            return null;
        }

        $grid = new ConductionGrid($stack->layers, $stack->resistanceFactor, $fromC);
        $grid->settle($fromC, $stack->lossWM2($fromC, $roomC));

        return self::of(
            $grid,
            $stack->underside($airC),
            $stack->top($airC, Cooling::Fan === $way ? Cooling::FAN_MS : 0.0),
            $toC,
        );
    }

    private static function of(ConductionGrid $grid, Boundary $below, Boundary $top, float $toC): ?float
    {
        $time = 0.0;
        $step = 0.5;
        while ($time < self::LONGEST_S) {
            $before = $grid->surfaceC();
            $grid->heat($step, 0.0, $below, $top);
            if ($grid->surfaceC() <= $toC) {
                // Within the last step the fall is as good as straight.
                return $time + $step * ($before - $toC) / max(1e-9, $before - $grid->surfaceC());
            }
            $time += $step;
            $step = min($step * self::GROWTH, 60.0);
        }

        return null;
    }
}
