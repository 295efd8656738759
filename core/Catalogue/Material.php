<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A family of filament. Temperatures in °C. */
final readonly class Material
{
    /**
     * @param array{float, float} $glassTransitionC
     * @param array{float, float} $bedC
     * @param array{float, float} $nozzleC
     * @param list<string>        $notes
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $glassTransitionC,
        public array $bedC,
        public array $nozzleC,
        public bool $enclosureWanted,
        public bool $fumes,
        public array $notes,
        public Basis $basis,
    ) {
    }
}
