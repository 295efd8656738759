<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** What is learned, each by itself: whether a print held, and whether one that held and was taken off cold came off clean. */
enum Success: string
{
    case Held = 'held';
    case Released = 'released';
}
