<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * How much of an error may be spent by the k-th of N looks: α·(k/N)^ρ (Kim & DeMets 1987; Lan & DeMets 1983). With ρ = 1.2
 * a plan of at most 1.35 n runs keeps the power of n runs at one look and needs about four fifths of them where the truth
 * lies at the planned distance, half of them at twice that (docs/statistics.md); later spending (ρ = 3 is near O'Brien
 * and Fleming) saves less.
 */
final class ErrorSpending
{
    private const RHO = 1.2;

    public static function spent(float $error, int $look, int $most): float
    {
        return $error * ($look / $most) ** self::RHO;
    }
}
