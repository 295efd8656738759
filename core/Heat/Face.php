<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/**
 * A face of a plate in air. Natural convection over a horizontal plate after Incropera & DeWitt, chapter 9 (from memory):
 * a hot face looking up Nu = 0.54 Ra^¼ below Ra = 1e7 and 0.15 Ra^⅓ above, one looking down 0.27 Ra^¼, with the length
 * area ÷ perimeter; a face colder than the air changes the two. A fan: laminar flow along a plate, Nu = 0.664 Re^½ Pr^⅓
 * (chapter 7, from memory), where it gives more. Radiation ε σ (T⁴ − T₀⁴) to surroundings at the temperature of the air.
 */
final readonly class Face implements Boundary
{
    public const STEFAN_BOLTZMANN_WM2K4 = 5.670374419e-8;
    private const GRAVITY_MS2 = 9.80665;

    /** Area ÷ perimeter, m. */
    private float $lengthM;
    private float $lengthCubedM3;

    private function __construct(
        private bool $up,
        private float $airC,
        private float $areaM2,
        float $perimeterM,
        private float $emissivity,
        private float $fanMS,
    ) {
        $this->lengthM = $areaM2 / $perimeterM;
        $this->lengthCubedM3 = $this->lengthM ** 3;
    }

    /** @param float $fanMS speed of the air of a fan over the face, m/s; 0 for still air */
    public static function up(float $airC, float $widthMm, float $depthMm, float $emissivity, float $fanMS = 0.0): self
    {
        return new self(true, $airC, $widthMm * $depthMm / 1e6, 2 * ($widthMm + $depthMm) / 1e3, $emissivity, $fanMS);
    }

    public static function down(float $airC, float $widthMm, float $depthMm, float $emissivity): self
    {
        return new self(false, $airC, $widthMm * $depthMm / 1e6, 2 * ($widthMm + $depthMm) / 1e3, $emissivity, 0.0);
    }

    public function surroundingsC(): float
    {
        return $this->airC;
    }

    public function coefficientWM2K(float $faceC): float
    {
        $difference = $faceC - $this->airC;
        $air = new Air(($faceC + $this->airC) / 2);
        $rayleigh = self::GRAVITY_MS2 * $air->expansionPerK * abs($difference) * $this
            ->lengthCubedM3 / ($air->kinematicViscosityM2S * $air->kinematicViscosityM2S) * $air
            ->prandtl;
        $rises = $this->up === ($difference >= 0);
        $nusselt = match (true) {
            !$rises => 0.27 * sqrt(sqrt($rayleigh)),
            $rayleigh <= 1e7 => 0.54 * sqrt(sqrt($rayleigh)),
            default => 0.15 * $rayleigh ** (1 / 3),
        };
        $convection = $nusselt * $air->conductivityWMK / $this->lengthM;
        if ($this->fanMS > 0) {
            $along = sqrt($this->areaM2);
            $forced = 0.664 * sqrt($this->fanMS * $along / $air->kinematicViscosityM2S) * $air->prandtl ** (1 / 3) * $air->conductivityWMK / $along;
            $convection = max($convection, $forced);
        }
        $hot = $faceC + 273.15;
        $cold = $this->airC + 273.15;

        // (T⁴ − T₀⁴) ÷ (T − T₀), written so that it also holds where both are equal.
        return $convection + $this->emissivity * self::STEFAN_BOLTZMANN_WM2K4 * ($hot * $hot + $cold * $cold) * ($hot + $cold);
    }
}
