<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** What a G-code file does in its first layer. */
final readonly class FirstLayer
{
    public function __construct(
        public float $heightMm,
        /** Mean of the lines, from their volume. */
        public float $lineWidthMm,
        public float $speedMmS,
        public ?float $nozzleC,
        public ?float $bedC,
        /** Bed for the layers after; null where the file never sets it. */
        public ?float $bedLaterC,
        public bool $skirt,
        public bool $brim,
        /** What the brim covers, mm². */
        public float $brimAreaMm2,
        public bool $raft,
        /** @var array<int, float> by tool: its share of the lines on the plate, skirt left out */
        public array $tools = [0 => 1.0],
    ) {
    }
}
