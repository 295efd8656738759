<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Heat\Internal\ConductionGrid;

/**
 * Warming a stack from room temperature: until the display says ready, then soaking until the surface is within 2 °C of
 * where it settles. The heater gives all it has until the sensor reaches the setting and then holds it.
 */
final readonly class HeatUp
{
    public const NEAR_K = 2.0;
    /** Where a printer's heater is not known, W/cm²: between what suffices for 60 °C and for 120 °C (common practice). */
    public const USUAL_W_CM2 = 0.4;
    /** Where a sum begins that nobody has filled in: a bed of usual size for PLA (common practice). */
    public const USUAL_BED_MM = 220.0;
    public const USUAL_BED_LAYER = 'aluminium';
    public const USUAL_BED_LAYER_MM = 3.0;
    public const USUAL_AT_C = 60.0;
    public const USUAL_RELEASE_C = 35.0;
    private const LONGEST_S = 4 * 3600.0;
    /** Steps lengthen with time; the times come out within 3 % of those by short steps. */
    private const GROWTH = 1.06;

    private function __construct(
        /** Until the display shows its setting. Null: the heater is too weak for it. */
        public ?float $displayReadySeconds,
        /** From then on until the surface is near. Null if it never gets there. */
        public ?float $soakSeconds,
        /** Taken up to the end of the soak, Wh. */
        public float $energyWh,
        /** What it takes to stay there, W. */
        public float $holdingW,
        /** Where the surface settles, °C. */
        public float $surfaceC,
    ) {
    }

    /**
     * @param float $heaterW power of the whole heater
     *
     * @throws BadHeat if a figure cannot be
     */
    public static function of(Stack $stack, float $displayC, float $roomC, float $heaterW): self
    {
        $heaterW > 0 || throw BadHeat::notPositive('heaterW');
        $areaM2 = $stack->widthMm * $stack->depthMm / 1e6;
        $most = $heaterW / $areaM2;
        $sensorC = $displayC - $stack->displayReadsHighK;
        $settlesC = $stack->surfaceAt($displayC, $roomC);
        $top = $stack->top($roomC);
        $below = $stack->underside($roomC);
        $grid = new ConductionGrid($stack->layers, $stack->resistanceFactor, $roomC);
        $time = $energy = 0.0;
        $ready = null;
        $step = 0.5;
        while ($time < self::LONGEST_S) {
            $wasC = $grid->surfaceC();
            $needed = $grid->heaterToHoldWM2($sensorC, $below);
            if ($needed > $most) {
                // The last step of full power ends where the sensor gets to its setting.
                $before = clone $grid;
                $grid->heat($step, $most, $below, $top);
                if ($grid->lowerFaceC($most, $below) > $sensorC && $step > 0.5) {
                    $grid = $before;
                    $step = max(0.5, $step / 2);
                    continue;
                }
                $energy += $most * $step;
            } else {
                $ready ??= $time;
                $grid->hold($step, $sensorC, $top);
                $energy += max(0.0, $needed) * $step;
            }
            $nearC = $settlesC - self::NEAR_K;
            if ($grid->surfaceC() >= $nearC && (null !== $ready || $grid->lowerFaceC($most, $below) >= $sensorC)) {
                // Within the last step the rise is as good as straight.
                $time += $step * ($wasC < $nearC ? ($nearC - $wasC) / max(1e-9, $grid->surfaceC() - $wasC) : 1.0);
                break;
            }
            $time += $step;
            $step = min($step * self::GROWTH, 30.0);
        }
        $reached = $grid->surfaceC() >= $settlesC - self::NEAR_K;
        $ready ??= $reached ? $time : null;

        return new self(
            $ready,
            $reached && null !== $ready ? $time - $ready : null,
            $energy * $areaM2 / 3600,
            $stack->holdingWM2($settlesC, $roomC) * $areaM2,
            $settlesC,
        );
    }

    /** From switching on to a surface that may be printed on. */
    public function totalSeconds(): ?float
    {
        return null === $this->displayReadySeconds || null === $this->soakSeconds ? null : $this->displayReadySeconds + $this->soakSeconds;
    }
}
