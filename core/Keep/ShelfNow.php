<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Evidence\Change;

/** What lies on the shelf and has happened since, as a profile sees it. */
final readonly class ShelfNow
{
    /** @param list<Change> $changes to the printer of the profile */
    public function __construct(
        /** What lies on the side now; null: there is no such side here. */
        public ?string $fittingId,
        public string $sheetLot,
        public bool $plateRetired,
        public array $changes,
        /** ISO 8601. */
        public string $today,
        /** In what it has drifted by the prints for use since; null: in nothing. */
        public ?DriftKind $drift = null,
        /** The day that showed it, ISO 8601. */
        public ?string $driftedOn = null,
    ) {
    }
}
