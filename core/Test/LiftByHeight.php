<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/**
 * The lift of an end from what a calliper reads on the finished part: the nozzle kept its top level, so an end that rose
 * while printing came out thinner by as much (references, "Pull and lift"). An end that came out thicker did not rise.
 */
final class LiftByHeight
{
    /**
     * @param float $middle height in the middle, in the unit given
     * @param float $end    height at the end, likewise
     *
     * @throws BadReading if a height is not one, or the unit is no length
     */
    public static function of(float $middle, float $end, string $unit): Reading
    {
        foreach ([$middle, $end] as $height) {
            if (!is_finite($height) || $height <= 0) {
                throw BadReading::value(Measure::Lift, Sentence::of('reading.wanted.height'));
            }
        }

        return Reading::entered(Measure::Lift, max(0.0, $middle - $end), $unit);
    }
}
