<?php

declare(strict_types=1);

namespace Sitzplatz\Units;

/** A number as it is written in a sentence. */
final class Figure
{
    /** With at most so many decimals, and without zeros that say nothing. */
    public static function short(float $value, int $decimals = 1): string
    {
        $figure = number_format($value, $decimals, '.', '');

        return $decimals > 0 ? rtrim(rtrim($figure, '0'), '.') : $figure;
    }
}
