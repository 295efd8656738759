<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/** The temperature that a part cools to while it is printed. */
final readonly class Surroundings
{
    /** A closed box without a heater of its own settles at so much of the way from room to bed (from memory). */
    private const CLOSED_BOX = 0.35;

    public static function celsius(float $roomC, ?float $bedC, bool $enclosed, ?float $chamberC): float
    {
        return match (true) {
            null !== $chamberC => max($roomC, $chamberC),
            $enclosed && null !== $bedC => $roomC + self::CLOSED_BOX * max(0.0, $bedC - $roomC),
            default => $roomC,
        };
    }
}
