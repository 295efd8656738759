<?php

declare(strict_types=1);

namespace Sitzplatz\Heat\Internal;

use Sitzplatz\Heat\Boundary;
use Sitzplatz\Heat\Layer;

/**
 * Transient conduction across a stack: finite volumes, backward Euler in time, so that thin films over steel do not ring
 * at any step size. The state is the temperature of each cell, °C, from the heater upwards.
 */
final class ConductionGrid
{
    /** @var list<float> J/m²K */
    private array $capacity = [];
    /** @var list<float> W/m²K between a cell and the next */
    private array $conductance = [];
    private float $halfFirst;
    private float $halfLast;
    private float $surfaceC;

    /** @var array<int, float> */
    public array $cellC = [];
    /** @var list<int> cells below the top of each layer */
    private array $tops = [];

    /**
     * @param list<Layer> $layers
     * @param int|null    $cells  cells per layer; null: as many as its resistance asks for
     */
    public function __construct(array $layers, float $resistanceFactor, float $startC, ?int $cells = null)
    {
        $half = [];
        $contact = [];
        foreach ($layers as $i => $layer) {
            $n = $cells ?? min(5, 1 + (int) floor($layer->resistanceM2KW() / 8e-4));
            for ($cell = 0; $cell < $n; ++$cell) {
                $this->capacity[] = $layer->capacityJM2K() / $n;
                $half[] = $layer->resistanceM2KW() * $resistanceFactor / $n / 2;
                $contact[] = 0 === $cell && $i > 0 ? $layer->contactBelowM2KW * $resistanceFactor : 0.0;
                $this->cellC[] = $startC;
            }
            $this->tops[] = \count($this->cellC);
        }
        $last = \count($half) - 1;
        for ($i = 0; $i < $last; ++$i) {
            $this->conductance[] = 1 / ($half[$i] + $half[$i + 1] + $contact[$i + 1]);
        }
        $this->halfFirst = $half[0] + $layers[0]->contactBelowM2KW * $resistanceFactor;
        $this->halfLast = $half[$last];
        $this->surfaceC = $startC;
    }

    /** Sets the state to that of a steady flow through the stack, W/m², with the surface at this temperature. */
    public function settle(float $surfaceC, float $flowWM2): void
    {
        $this->surfaceC = $surfaceC;
        $last = \count($this->cellC) - 1;
        $at = $surfaceC + $flowWM2 * $this->halfLast;
        for ($i = $last; $i >= 0; --$i) {
            $this->cellC[$i] = $at;
            $at += $i > 0 ? $flowWM2 / $this->conductance[$i - 1] : 0.0;
        }
    }

    /** @param int $layers from below */
    public function cellsBelow(int $layers): int
    {
        return $this->tops[$layers - 1];
    }

    /** Mean of all from a cell upwards, by what they take up, °C. */
    public function meanFromC(int $cell): float
    {
        $heat = $capacity = 0.0;
        for ($i = $cell, $n = \count($this->cellC); $i < $n; ++$i) {
            $heat += $this->capacity[$i] * $this->cellC[$i];
            $capacity += $this->capacity[$i];
        }

        return $heat / $capacity;
    }

    public function surfaceC(): float
    {
        return $this->surfaceC;
    }

    /**
     * Temperature of the lower face, where heater and sensor sit, while the heater gives this much.
     */
    public function lowerFaceC(float $heaterWM2, Boundary $below): float
    {
        $h = $below->coefficientWM2K($this->cellC[0]);

        return ($heaterWM2 + $this->cellC[0] / $this->halfFirst + $h * $below->surroundingsC()) / (1 / $this->halfFirst + $h);
    }

    /** What the heater has to give now so that the lower face stays at this temperature, W/m². */
    public function heaterToHoldWM2(float $lowerFaceC, Boundary $below): float
    {
        return ($lowerFaceC - $this->cellC[0]) / $this->halfFirst + $below->coefficientWM2K($lowerFaceC) * ($lowerFaceC - $below->surroundingsC());
    }

    /** One step with a heater of this power, W/m². */
    public function heat(float $seconds, float $heaterWM2, Boundary $below, Boundary $top): void
    {
        $h = $below->coefficientWM2K($this->cellC[0]);
        $g = 1 / $this->halfFirst + $h;
        // The flow into the first cell, as gives − takes · T₀.
        $this->step(
            $seconds,
            ($heaterWM2 + $h * $below->surroundingsC()) / ($g * $this->halfFirst),
            1 / $this->halfFirst - 1 / ($g * $this->halfFirst ** 2),
            $top,
        );
    }

    /** One step with the lower face held at a temperature. */
    public function hold(float $seconds, float $lowerFaceC, Boundary $top): void
    {
        $this->step($seconds, $lowerFaceC / $this->halfFirst, 1 / $this->halfFirst, $top);
    }

    private function step(float $seconds, float $gives, float $takes, Boundary $top): void
    {
        $last = \count($this->cellC) - 1;
        $h = $top->coefficientWM2K($this->surfaceC);
        $airC = $top->surroundingsC();
        $out = $h <= 0 ? 0.0 : 1 / ($this->halfLast + 1 / $h);
        // Thomas' algorithm on the tridiagonal system.
        $capacity = $this->capacity;
        $conductance = $this->conductance;
        $cell = $this->cellC;
        $c = $d = [];
        $lower = $above = $carry = 0.0;
        for ($i = 0; $i <= $last; ++$i) {
            $store = $capacity[$i] / $seconds;
            $upper = $i < $last ? $conductance[$i] : 0.0;
            $pivot = $store + $lower + $upper - $lower * $above;
            $right = $store * $cell[$i] + $lower * $carry;
            if (0 === $i) {
                $pivot += $takes;
                $right += $gives;
            }
            if ($i === $last) {
                $pivot += $out;
                $right += $out * $airC;
            }
            $c[] = $above = $upper / $pivot;
            $d[] = $carry = $right / $pivot;
            $lower = $upper;
        }
        $cell[$last] = $d[$last];
        for ($i = $last - 1; $i >= 0; --$i) {
            $cell[$i] = $d[$i] + $c[$i] * $cell[$i + 1];
        }
        $this->cellC = $cell;
        $this->surfaceC = $h <= 0 ? $this->cellC[$last] : $this->cellC[$last] - $out * ($this->cellC[$last] - $airC) * $this->halfLast;
    }
}
