<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** How much a material wants to be shut in. */
enum Enclosure: string
{
    case No = 'no';
    case Wanted = 'wanted';
    case Needed = 'needed';
}
