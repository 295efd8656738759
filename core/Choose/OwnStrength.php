<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** Own hot pulls and lift readings of one material with one kind of surface and agent, summed up. */
final readonly class OwnStrength
{
    /**
     * @param list<array{readings: int, lifted: int, sumMm: float, spanMm: float, widthMm: float, heightMm: float, roomC: float, bedC: float|null, enclosed: bool}> $lifts by test piece
     */
    public function __construct(
        public string $surfaceId,
        public ?string $agentId,
        public int $pulls,
        public ?float $meanMpa,
        public ?float $sdMpa,
        public array $lifts = [],
    ) {
    }
}
