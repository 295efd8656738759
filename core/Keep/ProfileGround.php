<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** What a signed profile stands on. Times are Unix seconds. */
final readonly class ProfileGround
{
    public function __construct(
        /** The sheet it was proven on; null: any plate, or one that is not here. */
        public ?string $fittingId,
        public string $sideName,
        public ?string $plateId,
        /** Lot of that sheet; "" if nobody noted it. */
        public string $sheetLot,
        /** When the last of its runs ended. */
        public float $evidenceUntil,
        /** Day by which it is to be looked at again, ISO 8601. */
        public ?string $reviewBy,
        /** Day that showed that its runs do not carry it, ISO 8601; null: they do. */
        public ?string $evidenceFailsSince = null,
    ) {
    }
}
