<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Catalogue\LayerMaterial;

/** One layer of a stack, with the contact that it makes with what lies below. */
final readonly class Layer
{
    /** Plates laid on a bed and held by magnets or clips, m²K/W (references: 2 to 5e-4 when dry). */
    public const DRY_CONTACT_M2KW = 3e-4;

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

    /** m²K/W, without the contact below. */
    public function resistanceM2KW(): float
    {
        return $this->thicknessMm / 1000 / $this->of->conductivityWMK;
    }

    /** J/m²K. */
    public function capacityJM2K(): float
    {
        return $this->thicknessMm / 1000 * $this->of->densityKgM3 * $this->of->heatCapacityJKgK;
    }
}
