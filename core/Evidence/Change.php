<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

/** A change to a printer. Times are Unix seconds. */
final readonly class Change
{
    public function __construct(
        public ChangeKind $kind,
        /** Of it, ISO 8601. */
        public string $day,
        /** When it happened; of a fault, when it began. */
        public float $at,
        /** When a fault was over. */
        public ?float $until = null,
        /** The plate that it was levelled for. */
        public ?string $plateId = null,
    ) {
    }

    /** Whether what ended at a time on a plate is in question through it. */
    public function questions(string $plateId, float $endedAt): bool
    {
        return match ($this->kind) {
            ChangeKind::MachineFault => $endedAt >= $this->at && $endedAt <= ($this->until ?? \INF),
            ChangeKind::LevelledForPlate => $endedAt <= $this->at && $plateId !== $this->plateId,
            default => $endedAt <= $this->at,
        };
    }
}
