<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** A kind of build surface. */
final readonly class Surface
{
    /**
     * @param list<string> $cautions
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $grip,
        /** The most the surface stands, °C. */
        public float $limitC,
        public bool $flexes,
        public string $cleaning,
        public string $finish,
        public array $cautions,
        public Basis $basis,
    ) {
    }
}
