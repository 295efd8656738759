<?php

declare(strict_types=1);

namespace App\Shelf;

/** A number that may be left out. */
final class Number
{
    public static function orNull(mixed $value): ?float
    {
        return is_numeric($value) ? (float) $value : null;
    }
}
