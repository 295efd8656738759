<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A family of filament or resin. Temperatures in °C. */
final readonly class Material
{
    /**
     * @param array{float, float}|null $glassTransitionC null for a resin
     * @param array{float, float}|null $bedC             null for a resin
     * @param array{float, float}|null $nozzleC          null for a resin
     * @param list<string>             $notes
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $filament,
        public ?array $glassTransitionC,
        public ?array $bedC,
        public ?array $nozzleC,
        /** Linear, 1/K. */
        public float $expansionPerK,
        public float $modulusMpa,
        public Enclosure $enclosure,
        public bool $fumes,
        public ?Drying $drying,
        public array $notes,
        public Basis $basis,
    ) {
    }

    /** Middle of the range, °C; null for a resin. */
    public function glassTransitionMiddleC(): ?float
    {
        return null === $this->glassTransitionC ? null : ($this->glassTransitionC[0] + $this->glassTransitionC[1]) / 2;
    }
}
