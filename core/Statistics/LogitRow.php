<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** So many successes of so many trials under the same conditions. */
final readonly class LogitRow
{
    /**
     * @param list<int>   $places of the coefficients that have a part in it, rising
     * @param list<float> $values by how much each
     */
    public function __construct(public float $offset, public array $places, public array $values, public float $successes, public float $trials = 1.0)
    {
    }

    /**
     * Log-odds with these coefficients.
     *
     * @param list<float> $coefficients
     */
    public function at(array $coefficients): float
    {
        $at = $this->offset;
        foreach ($this->places as $i => $place) {
            $at += $this->values[$i] * $coefficients[$place];
        }

        return $at;
    }
}
