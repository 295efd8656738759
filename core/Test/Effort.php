<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** How hard a part was to take off, in the words of the bench. */
enum Effort: int
{
    case Loose = 0;
    case Finger = 1;
    case Flex = 2;
    case Scraper = 3;
    case Bonded = 4;

    public function words(): string
    {
        return match ($this) {
            self::Loose => 'loose on its own',
            self::Finger => 'lifts by finger',
            self::Flex => 'flex needed',
            self::Scraper => 'scraper needed',
            self::Bonded => 'broke or bonded',
        };
    }
}
