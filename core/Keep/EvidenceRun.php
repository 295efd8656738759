<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Test\Reading;

/** A run as evidence for a setup: what was read, and under which conditions. */
final readonly class EvidenceRun
{
    /** @param list<Reading> $readings */
    public function __construct(
        public string $id,
        public bool $void,
        public array $readings,
        public string $lotId,
        public string $plateId,
        public float $roomC,
        public float $jobMinutes,
        public int $partCount,
        public bool $enclosed,
    ) {
    }
}
