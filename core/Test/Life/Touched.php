<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

/**
 * When something was said of a run on a device that had no network for a while: then and not when it arrived, so that the
 * length of a print is right; but never before what was known of the run already, so that nobody lengthens a print by it.
 */
final readonly class Touched
{
    /**
     * @param float $heldSeconds          how long the device kept it, by the device's own clock
     * @param float $lastChangeSecondsAgo since the last change of the run that arrived
     *
     * @return float how long ago it counts to have been said, seconds
     */
    public static function secondsAgo(float $heldSeconds, float $lastChangeSecondsAgo): float
    {
        return max(0.0, min($heldSeconds, $lastChangeSecondsAgo));
    }
}
