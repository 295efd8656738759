<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

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
        /** As measured; null: nobody measured it. */
        public ?float $printMinutes,
        public int $partCount,
        public bool $enclosed,
        /** Declared void by whoever made it, with the outcome known. */
        public bool $voidAlone = false,
        /** Unix seconds. */
        public float $endedAt = 0.0,
    ) {
    }
}
