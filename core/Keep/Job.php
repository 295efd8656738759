<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** The job that somebody wants to print. */
final readonly class Job
{
    /** @param list<string> $alsoMaterialIds */
    public function __construct(
        public ?string $lotId,
        public string $printerId,
        public float $roomC,
        public bool $enclosed,
        public ?float $minutes,
        public int $partCount,
        /** What else stands on the plate, from the catalogue. */
        public array $alsoMaterialIds = [],
    ) {
    }
}
