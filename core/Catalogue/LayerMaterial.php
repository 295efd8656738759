<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** What a layer of a plate or bed is made of. Values are across the layer. */
final readonly class LayerMaterial
{
    public function __construct(
        public string $id,
        public CatalogueText $name,
        public float $conductivityWMK,
        public float $densityKgM3,
        public float $heatCapacityJKgK,
        /** Of a bare upper face, 0 to 1. */
        public float $emissivity,
        /** Whether an inductive probe sees it. */
        public bool $metal,
        /** Whether a magnet holds it. */
        public bool $magnetic,
        public Basis $basis,
        /** Breaks rather than bends, and cracks by thermal shock. */
        public bool $brittle = false,
        /** How much colder a thing may be that touches it hot, K; null: it does not crack by heat shock. */
        public ?float $shockK = null,
        /** A gap full of it passes heat by radiation too. */
        public bool $gas = false,
        /** A soft pad that a rigid plate is pressed onto: it never lies flat all over. */
        public bool $tacky = false,
    ) {
    }
}
