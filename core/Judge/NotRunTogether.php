<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/**
 * An earlier comparison that stands beside another: what differs between the two by name. Whatever it is, days, plates and
 * hands differ too, so a difference between them has no cause that anybody could name, and they are never pooled.
 */
final class NotRunTogether
{
    /**
     * @param array<string, string|float|null> $now    what is held constant, by name of the factor
     * @param array<string, string|float|null> $before likewise
     */
    public static function in(array $now, array $before): Sentence
    {
        $differs = [];
        foreach ($now as $factor => $value) {
            $was = $before[$factor] ?? null;
            $same = \is_float($value) && \is_float($was) ? abs($value - $was) <= ('room' === $factor ? WeakPoints::ROOM_K : 1e-9) : $value === $was;
            if (!$same) {
                $differs[] = Sentence::of('factor.'.$factor);
            }
        }

        return [] === $differs ? Sentence::of('control.as_held') : Sentence::of('control.differs', factors: Listing::of($differs));
    }
}
