<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\LayerMaterial;
use Sitzplatz\Heat\Internal\ConductionGrid;
use Sitzplatz\Words\CatalogueText;

/** Cooling of a stack from the steady state of printing, with the heater off. */
final readonly class CoolDown
{
    /** Foot and height of a part where nobody said one, mm (ours). */
    private const USUAL_PART_MM = 20.0;
    private const USUAL_FOOT_MM = 40.0;
    /** What a plate gives off by both faces, W/m²K: so far heat spreads in it from under a part. */
    private const GIVES_OFF_WM2K = 20.0;
    /** So much of a printed part is plastic: walls and a fifth of infill (from memory). */
    public const FILLED = 0.4;
    private const FOOT_MM = 1.0;
    private const LONGEST_S = 12 * 3600.0;
    /** Steps lengthen with time; the times come out within 3 % of those by short steps. */
    private const GROWTH = 1.08;

    /**
     * Until the surface is at the release temperature.
     *
     * @param Stack          $stack      all that cools together: bed and plate, or the plate alone
     * @param ClosedBox|null $box        air that it cools in while the door is shut; null: an open printer
     * @param float          $opensBelow the door may be opened from this temperature of the surface on, °C
     * @param list<Layer>    $part       what stands on it: the surface is then that under the part, and in a freezer all of the part
     *                                   has to be as cold, on the average
     *
     * @return float|null seconds; null if it does not get there, as the air is too warm
     */
    public static function seconds(
        Stack $stack,
        Cooling $way,
        float $fromC,
        float $toC,
        float $roomC,
        ?ClosedBox $box = null,
        float $opensBelow = \INF,
        array $part = [],
    ): ?float {
        if ($fromC <= $toC) {
            return 0.0;
        }
        $airC = Cooling::Freezer === $way ? Cooling::FREEZER_C : $roomC;
        if ($airC >= $toC) {
            return null;
        }
        $grid = new ConductionGrid([...$stack->layers, ...$part], $stack->resistanceFactor, $fromC);
        if ([] === $part) {
            $grid->settle($fromC, $stack->lossWM2($fromC, $roomC));
        }
        $plate = $grid->cellsBelow(\count($stack->layers));
        $surface = match (true) {
            [] === $part => $grid->surfaceC(...),
            Cooling::Freezer === $way => static fn (): float => $grid->meanFromC($plate),
            default => static fn (): float => $grid->cellC[$plate - 1],
        };
        $box = $way->plateAlone() ? null : $box;
        $time = 0.0;
        $step = 0.5;
        [$below, $top] = self::air($stack, $airC, $way);
        while ($time < self::LONGEST_S) {
            $before = $surface();
            if (null !== $box) {
                if ($way->opensTheDoor() && $before <= $opensBelow) {
                    $box = null;
                    [$below, $top] = self::air($stack, $airC, $way);
                } else {
                    $box = $box->after($step, $before);
                    [$below, $top] = self::air($stack, $box->airC, Cooling::StillAir);
                }
            }
            $grid->heat($step, 0.0, $below, $top);
            if ($surface() <= $toC) {
                // Within the last step the fall is as good as straight.
                return $time + $step * ($before - $toC) / max(1e-9, $before - $surface());
            }
            $time += $step;
            $step = min($step * self::GROWTH, 60.0);
        }

        return null;
    }

    /**
     * Of a plate off its printer, told under the part that stands on it; in a freezer, of all of the part.
     *
     * @param Cooling    $way       one for the plate alone
     * @param float|null $heightMm  of the part; null, as below: a usual one
     * @param float|null $outlineMm of the foot
     *
     * @return float|null seconds; null if it does not get there
     *
     * @throws BadHeat without a height
     */
    public static function underPart(
        Stack $plate,
        Cooling $way,
        float $fromC,
        float $toC,
        float $roomC,
        ?float $heightMm = null,
        ?float $footMm2 = null,
        ?float $outlineMm = null,
    ): ?float {
        $share = Cooling::Freezer === $way ? 1.0 : self::shareOf($plate, $footMm2 ?? self::USUAL_FOOT_MM ** 2, $outlineMm ?? 4 * self::USUAL_FOOT_MM);

        return self::seconds($plate, $way, $fromC, $toC, $roomC, part: self::part($heightMm ?? self::USUAL_PART_MM, $share));
    }

    /**
     * A part of this height as layers on its plate, thin at its foot, where the heat leaves first; of a plastic of 1.2 g/cm³, 1.5 J/gK and
     * 0.2 W/mK (handbook values, from memory).
     *
     * @param float $share of the plate around it that shares its heat (shareOf)
     *
     * @return list<Layer>
     *
     * @throws BadHeat without a height
     */
    public static function part(float $heightMm, float $share = 1.0): array
    {
        $of = new LayerMaterial(
            'part',
            new CatalogueText('layer.name', 'part'),
            $share * self::FILLED * 0.2,
            $share * self::FILLED * 1200.0,
            1500.0,
            0.9,
            false,
            false,
            Basis::Memory,
        );
        $layers = [];
        $thickness = self::FOOT_MM;
        for ($left = $heightMm; $left > 2 * $thickness; $left -= $thickness, $thickness *= 2) {
            $layers[] = new Layer($of, $thickness);
        }
        $layers[] = new Layer($of, $left);

        return $layers;
    }

    /**
     * The part's foot as a share of what of the plate it is that takes its heat: heat spreads sideways in a plate as far as √(Σk·t ÷ h)
     * (a fin, Incropera & DeWitt, chapter 3, from memory).
     */
    public static function shareOf(Stack $plate, float $footMm2, float $outlineMm): float
    {
        $conducts = array_sum(array_map(static fn (Layer $layer): float => $layer->of->conductivityWMK * $layer->thicknessMm / 1e3, $plate->layers));
        $spreadsMm = 1e3 * sqrt($conducts / self::GIVES_OFF_WM2K);

        return $footMm2 / ($footMm2 + $outlineMm * $spreadsMm + \M_PI * $spreadsMm ** 2);
    }

    /** @return array{Boundary, Boundary} below and above */
    private static function air(Stack $stack, float $airC, Cooling $way): array
    {
        return [$stack->underside($airC), $stack->top($airC, Cooling::Fan === $way ? Cooling::FAN_MS : 0.0)];
    }
}
