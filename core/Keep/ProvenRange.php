<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\EvidenceRun;

/** The conditions that the evidence covers, and so the most that a profile may be trusted for. */
final readonly class ProvenRange
{
    /** A room may be this much colder or warmer than the coldest and warmest run (common practice). */
    public const ROOM_MARGIN_C = 2.0;

    public function __construct(
        public float $roomLowC,
        public float $roomHighC,
        public bool $enclosed,
        /** Of the prints whose time was measured; null: of none. */
        public ?float $longestJobMinutes,
        public int $mostParts,
        public int $lots,
        public int $plates,
    ) {
    }

    /** @param list<EvidenceRun> $runs the counted runs; null if there are none */
    public static function of(array $runs): ?self
    {
        if ([] === $runs) {
            return null;
        }
        $measured = array_filter(
            array_map(static fn (EvidenceRun $run): ?float => $run->printMinutes, $runs),
            static fn (?float $minutes): bool => null !== $minutes,
        );
        $rooms = array_map(static fn (EvidenceRun $run): float => $run->roomC, $runs);

        return new self(
            min($rooms) - self::ROOM_MARGIN_C,
            max($rooms) + self::ROOM_MARGIN_C,
            // Proven in an enclosure only: without one it is not proven.
            !\in_array(false, array_map(static fn (EvidenceRun $run): bool => $run->enclosed, $runs), true),
            [] === $measured ? null : max($measured),
            max(array_map(static fn (EvidenceRun $run): int => $run->partCount, $runs)),
            \count(array_unique(array_map(static fn (EvidenceRun $run): string => $run->lotId, $runs))),
            \count(array_unique(array_map(static fn (EvidenceRun $run): string => $run->plateId, $runs))),
        );
    }
}
