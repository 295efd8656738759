<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What a bed that is lowered after the first layer does (trade notes, section 11): a board heater bows, so that a gap opens
 * at the second layer, and a part of ABS whose bed went from 93 to 50 °C lifted badly. It is part of the setup.
 */
final class BedAfterFirstLayer
{
    /** A few degrees less is usual and does no harm (our own choice), K. */
    private const MUCH_LOWER_K = 10.0;

    /**
     * A caution, where it is lowered by much or switched off; temperatures on the display, null: unheated. That the bed bows is said
     * of a heater that is a circuit board alone.
     */
    public static function caution(?float $firstC, ?float $otherC, bool $boardHeater): ?Sentence
    {
        $of = $boardHeater ? '_board' : '';

        return match (true) {
            null === $firstC => null,
            null === $otherC => Sentence::of("caution.bed_off$of", first: Quantity::celsius($firstC)),
            $firstC - $otherC > self::MUCH_LOWER_K => Sentence::of(
                "caution.bed_lowered$of",
                first: Quantity::celsius($firstC),
                other: Quantity::celsius($otherC),
            ),
            default => null,
        };
    }
}
