<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** What the shop's own runs say about a fact of the catalogue. */
enum Standing: string
{
    case Untried = 'untried';
    case Open = 'open';
    case Confirmed = 'confirmed';
    case Refuted = 'refuted';
}
