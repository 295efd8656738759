<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What a print file sets in its first layer, as far as it says. */
final readonly class FileSettings
{
    public function __construct(
        /** °C on the display; null: the file never sets it, as for the others. */
        public ?float $bedFirstC = null,
        public ?float $bedOtherC = null,
        public ?float $nozzleFirstC = null,
        public ?float $speedMmS = null,
        public ?float $lineWidthMm = null,
        public ?bool $brim = null,
    ) {
    }
}
