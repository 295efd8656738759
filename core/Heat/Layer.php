<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Catalogue\LayerMaterial;

/** One layer of a stack, with the contact that it makes with what lies below. */
final readonly class Layer
{
    /** Plates laid on a bed and held by magnets or clips, m²K/W (references: 2 to 5e-4 when dry). */
    public const DRY_CONTACT_M2KW = 3e-4;

    /**
     * Of a tacky pad, on the bed as below the pane, m²K/W: 70 °C at the surface ask for about 80 on the display with 0.5 mm of silicone
     * under glass (common practice), which neither rubber nor a dry contact explains; it is as much as 0.1 mm of air at each face.
     */
    public const PAD_CONTACT_M2KW = 4e-3;

    private const STEFAN_BOLTZMANN_WM2K4 = 5.670374e-8;
    /** 65 °C. */
    private const MIDDLE_K = 338.0;

    /** @throws BadHeat unless the layer has a thickness and the contact is not negative */
    public function __construct(
        public LayerMaterial $of,
        public float $thicknessMm,
        /** Zero where it is bonded to what lies below. */
        public float $contactBelowM2KW = 0.0,
    ) {
        if (!is_finite($thicknessMm) || $thicknessMm <= 0) {
            throw BadHeat::thickness($of->name);
        }
        if (!is_finite($contactBelowM2KW) || $contactBelowM2KW < 0) {
            throw BadHeat::notPositive('contactBelowM2KW');
        }
    }

    /**
     * The contact that a layer usually makes with what lies below.
     *
     * @param LayerMaterial|null $below null: it is the lowest of its plate
     * @param bool               $laid  the plate is laid on a bed, and no part of it
     */
    public static function usualContactM2KW(LayerMaterial $of, ?LayerMaterial $below, bool $laid): float
    {
        return match (true) {
            null === $below && !$laid => 0.0,
            $of->tacky, true === $below?->tacky => self::PAD_CONTACT_M2KW,
            null === $below => self::DRY_CONTACT_M2KW,
            default => 0.0,
        };
    }

    /** m²K/W, without the contact below. */
    public function resistanceM2KW(): float
    {
        $gapM = $this->thicknessMm / 1000;

        // Warm air conducts an eighth better than that of a room, and a gap passes heat by radiation too.
        return $this->of->gas
            ? 1 / ((new Air(self::MIDDLE_K - 273.15))->conductivityWMK / $gapM + self::radiationWM2K($this->of->emissivity))
            : $gapM / $this->of->conductivityWMK;
    }

    /**
     * Between two large parallel faces of this emissivity, 4·σ·T³ ÷ (2/ε − 1) (Incropera & DeWitt, chapter 13, from memory),
     * at a middle temperature: within a fifth for beds of 50 to 110 °C. A gap of a tenth of a millimetre passes 2 % of its
     * heat so, one of two millimetres a third.
     */
    private static function radiationWM2K(float $emissivity): float
    {
        return 4 * self::STEFAN_BOLTZMANN_WM2K4 * self::MIDDLE_K ** 3 / (2 / $emissivity - 1);
    }

    /** J/m²K. */
    public function capacityJM2K(): float
    {
        return $this->thicknessMm / 1000 * $this->of->densityKgM3 * $this->of->heatCapacityJKgK;
    }
}
