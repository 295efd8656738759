<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** How the items of a list are joined. */
enum Joined: string
{
    case And = 'and';
    case Or = 'or';
    case Comma = 'comma';
    /** Whole statements, one behind the other. */
    case Semicolon = 'semicolon';
    case Space = 'space';
}
