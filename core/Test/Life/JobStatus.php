<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/** Where a print for use stands. */
enum JobStatus: string
{
    /** It prints, or lies there and nobody has said how it came out. */
    case Open = 'open';
    /** Somebody said how it came out. */
    case Answered = 'answered';
    /** It was not printed after all. */
    case Dropped = 'dropped';
}
