<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** What practice knows about one material on one surface. */
final readonly class Pairing
{
    /**
     * @param array<string, Treatment> $treatments by agent id, "" for bare
     * @param list<string>             $cautions
     */
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        public Window $window,
        /** Bed temperature below which the part usually comes off, °C. */
        public float $releaseC,
        /** How the part is taken off. */
        public string $releaseWay,
        /** The pair bonds for good without a barrier. */
        public bool $bonds,
        public array $treatments,
        public array $cautions,
        public Basis $basis,
    ) {
    }

    public function treatment(?string $agentId): ?Treatment
    {
        return $this->treatments[$agentId ?? ''] ?? null;
    }
}
