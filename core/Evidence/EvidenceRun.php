<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

use Sitzplatz\Test\PullKind;
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
        /** Unix seconds; runs are looked at in the order in which they were begun. */
        public float $beganAt = 0.0,
        /** Of the setup it was made for, in its comparison. */
        public string $setupId = '',
        /** How its part was to be taken off; null: as its readings tell. */
        public ?PullKind $pull = null,
        /** The visit that it belongs to where visits are the unit; null: it stands for itself. */
        public ?string $unit = null,
        /** Readings of a device that is not there. */
        public int $simulated = 0,
    ) {
    }
}
