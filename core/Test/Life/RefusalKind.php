<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/** What stands against a command. */
enum RefusalKind
{
    case Entry;
    case State;
    case Person;
}
