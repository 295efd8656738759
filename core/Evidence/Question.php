<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

/** Why a result says less than it did. */
enum Question
{
    /** The printer has been changed since. */
    case Changed;
    /** Something was wrong with the machine while it was made: it says nothing. */
    case Faulty;
}
