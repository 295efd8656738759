<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

/** Own non-void runs of one material on one side with one agent, lot and bed temperature, counted. */
final readonly class OwnRuns
{
    public function __construct(
        public string $sideId,
        public string $surfaceId,
        public ?string $agentId,
        public string $lotId,
        /** On the display; null: unheated. */
        public ?float $bedC,
        /** Runs for which it is known whether the part held. */
        public int $runs,
        public int $held,
        /** Runs for which the release is known. */
        public int $released,
        /** Of these, taken off cleanly. */
        public int $clean,
        /** The longest of them, minutes; null: not known. */
        public ?float $longestMinutes = null,
        public int $mostParts = 1,
        /** After the first layer; null: unheated. */
        public ?float $bedOtherC = null,
    ) {
    }

    /** @param list<RunCount> $counts */
    public static function counted(
        string $sideId,
        string $surfaceId,
        ?string $agentId,
        string $lotId,
        ?float $bedC,
        array $counts,
        ?float $longestMinutes,
        int $mostParts,
        ?float $bedOtherC,
    ): self {
        $runs = $held = $released = $clean = 0;
        foreach (array_filter($counts, static fn (RunCount $each): bool => $each->onPresentSheet) as $count) {
            $runs += null === $count->held ? 0 : $count->times;
            $held += true === $count->held ? $count->times : 0;
            $released += null === $count->clean() ? 0 : $count->times;
            $clean += true === $count->clean() ? $count->times : 0;
        }

        return new self($sideId, $surfaceId, $agentId, $lotId, $bedC, $runs, $held, $released, $clean, $longestMinutes, $mostParts, $bedOtherC);
    }
}
