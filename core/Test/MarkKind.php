<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What somebody marks on the map of a plate. */
enum MarkKind: string
{
    /** A part did not hold there. */
    case Failed = 'failed';
    /** The plate is marked, torn or chipped there. */
    case Damage = 'damage';
    /** The agent came off with the part there. */
    case Torn = 'torn';
}
