<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What a setup of a comparison is called: A, B, C and so on in the order in which they were laid out. */
final class SetupLabel
{
    /** @param int $place from 0 */
    public static function at(int $place): string
    {
        return \chr(\ord('A') + $place);
    }
}
