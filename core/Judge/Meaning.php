<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** What the difference between two setups comes to. */
enum Meaning: string
{
    /** There is one, and all of its interval matters. */
    case Matters = 'matters';
    /** There is one; whether it matters is open. */
    case Real = 'real';
    /** There is one, and it is too small to matter. */
    case TooSmall = 'too_small';
    /** They are alike within what matters. */
    case Alike = 'alike';
    /** It may be none or one that matters. */
    case CannotTell = 'cannot_tell';

    /** The most telling first. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
