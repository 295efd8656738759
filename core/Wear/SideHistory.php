<?php

declare(strict_types=1);

namespace Sitzplatz\Wear;

/** What one side of a plate has seen. Times are ISO 8601 in UTC, so that they sort as they are. */
final readonly class SideHistory
{
    /** Null: the side is bare. A coat that was washed off since is no coat. */
    public ?int $printsOnCoat;
    public ?string $coatedAt;
    public ?string $coatAgentKindId;
    public ?string $coatAgentName;

    /** @param list<string> $materialsOnCoat */
    public function __construct(
        public int $printsSinceFitting,
        public int $printsSinceWash,
        int $printsSinceCoat = 0,
        public ?string $washedAt = null,
        ?string $coatedAt = null,
        ?string $coatAgentKindId = null,
        ?string $coatAgentName = null,
        public ?string $lastHeldAt = null,
        /** Since the sheet was laid; null: never. */
        public ?string $scuffedAt = null,
        /** Runs on this sheet after which damage was noted. */
        public int $damages = 0,
        /** Last printed on. */
        public ?string $lastPrintAt = null,
        /** After how many prints this plate is washed; null: as usual for its surface. */
        public ?int $washPrints = null,
        /** What was printed on the coat, from the catalogue. */
        public array $materialsOnCoat = [],
        /** When its sheet was laid, or bought with the plate. */
        public ?string $laidAt = null,
    ) {
        $stands = null !== $coatedAt && (null === $washedAt || $coatedAt >= $washedAt);
        $this->printsOnCoat = $stands ? $printsSinceCoat : null;
        $this->coatedAt = $stands ? $coatedAt : null;
        $this->coatAgentKindId = $stands ? $coatAgentKindId : null;
        $this->coatAgentName = $stands ? $coatAgentName : null;
    }
}
