<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Statistics\Root;

/**
 * The layers from the heater with its sensor up to the surface that the part sits on. In the steady state the heat that
 * the top gives off passes through all of them: ΔT = q·Σ(t/k + contact).
 */
final class Stack
{
    private const LEAST_ABOVE_ROOM_K = 1.0;

    /** @var array<string, float> displays by surface and room: many plates of a shop are built alike and asked the same */
    private array $displays = [];
    private ?float $resistance = null;

    /**
     * @param list<Layer> $layers from the heater upwards
     *
     * @throws BadHeat without layers or a bed
     */
    public function __construct(
        public readonly array $layers,
        public readonly float $widthMm,
        public readonly float $depthMm,
        /** What a measured surface temperature says the resistance of the layers is, as a multiple of the sum; 1 without. */
        public readonly float $resistanceFactor = 1.0,
        /** Display − what the sensor's place really has, K. */
        public readonly float $displayReadsHighK = 0.0,
    ) {
        if ([] === $layers) {
            throw BadHeat::noLayers();
        }
        foreach (['widthMm' => $widthMm, 'depthMm' => $depthMm, 'resistanceFactor' => $resistanceFactor] as $field => $value) {
            if (!is_finite($value) || $value <= 0) {
                throw BadHeat::notPositive($field);
            }
        }
    }

    /** From sensor to surface, m²K/W. */
    public function resistanceM2KW(): float
    {
        if (null === $this->resistance) {
            $sum = 0.0;
            foreach ($this->layers as $layer) {
                $sum += $layer->resistanceM2KW() + $layer->contactBelowM2KW;
            }
            $this->resistance = $sum * $this->resistanceFactor;
        }

        return $this->resistance;
    }

    public function thicknessMm(): float
    {
        return array_sum(array_map(static fn (Layer $layer): float => $layer->thicknessMm, $this->layers));
    }

    /** What all of it takes up for each degree, J/K. */
    public function heatJK(): float
    {
        return array_sum(array_map(static fn (Layer $layer): float => $layer->capacityJM2K(), $this->layers)) * $this->widthMm * $this->depthMm / 1e6;
    }

    public function top(float $roomC, float $fanMS = 0.0): Face
    {
        return Face::up($roomC, $this->widthMm, $this->depthMm, $this->layers[\count($this->layers) - 1]->of->emissivity, $fanMS);
    }

    public function underside(float $roomC): Face
    {
        // A heater mat or its insulation: neither is bright metal.
        return Face::down($roomC, $this->widthMm, $this->depthMm, 0.9);
    }

    /** What the display has to show so that the surface reaches this temperature, °C. */
    public function displayFor(float $surfaceC, float $roomC): float
    {
        return $this->displays[$surfaceC.'/'.$roomC]
            ??= $surfaceC + $this->lossWM2($surfaceC, $roomC) * $this->resistanceM2KW() + $this->displayReadsHighK;
    }

    /** The surface temperature that settles at this display setting, °C. */
    public function surfaceAt(float $displayC, float $roomC): float
    {
        $sensorC = $displayC - $this->displayReadsHighK;
        if (abs($sensorC - $roomC) < 1e-9) {
            return $roomC;
        }

        return Root::between(
            fn (float $surfaceC): float => $surfaceC + $this->lossWM2($surfaceC, $roomC) * $this->resistanceM2KW() - $sensorC,
            min($sensorC, $roomC),
            max($sensorC, $roomC),
        );
    }

    /** What the top gives off, W/m². */
    public function lossWM2(float $surfaceC, float $roomC): float
    {
        return $this->top($roomC)->coefficientWM2K($surfaceC) * ($surfaceC - $roomC);
    }

    /** What the heater has to give in the steady state at this surface temperature, W/m², through both faces. */
    public function holdingWM2(float $surfaceC, float $roomC): float
    {
        $heaterC = $this->displayFor($surfaceC, $roomC) - $this->displayReadsHighK;

        return $this->lossWM2($surfaceC, $roomC) + $this->underside($roomC)->coefficientWM2K($heaterC) * ($heaterC - $roomC);
    }

    /**
     * Whether a measured surface temperature tells anything of the layers below it.
     *
     * @throws BadHeat if the surface is not warmer than the room
     */
    public static function learnsFrom(float $surfaceC, float $roomC): void
    {
        if ($surfaceC <= $roomC + self::LEAST_ABOVE_ROOM_K) {
            throw BadHeat::tooCold();
        }
    }

    /**
     * The same stack made to agree with a measured surface temperature: the resistance of the layers is scaled to fit. A
     * surface that is warmer than even a perfect conductor would be shows that the display reads too low; then the
     * layers stay as they are and the display is corrected.
     *
     * @throws BadHeat if the surface is not warmer than the room
     */
    public function calibrated(float $displayC, float $surfaceC, float $roomC): self
    {
        self::learnsFrom($surfaceC, $roomC);
        $loss = $this->lossWM2($surfaceC, $roomC);
        $bare = new self($this->layers, $this->widthMm, $this->depthMm);
        $drop = $displayC - $this->displayReadsHighK - $surfaceC;
        $factor = $drop / ($loss * $bare->resistanceM2KW());
        if ($factor > 0.05) {
            return new self($this->layers, $this->widthMm, $this->depthMm, $factor, $this->displayReadsHighK);
        }

        return new self($this->layers, $this->widthMm, $this->depthMm, 1.0, $displayC - ($surfaceC + $loss * $bare->resistanceM2KW()));
    }
}
