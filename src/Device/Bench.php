<?php

declare(strict_types=1);

namespace App\Device;

/** What lies under the gauge. A real gauge does not ask; the stand-in has to know what it plays. */
final readonly class Bench
{
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        public ?string $agentId,
        public string $pull,
        public ?float $bedC,
    ) {
    }
}
