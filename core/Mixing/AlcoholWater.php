<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

/**
 * Alcohol and water at 20 °C: together they take less room than apart, so shares of volume are turned into shares of mass by
 * density. Densities of propan-2-ol and water by mass (CRC Handbook) and mass shares of ethanol by volume (OIML R 22): from
 * memory; between them straight lines.
 */
final readonly class AlcoholWater
{
    /** g/mL at 20 °C. */
    public const WATER = 0.9982;
    /** Mass share in percent, density. */
    private const PROPANOL = [
        [0, 0.9982], [10, 0.9843], [20, 0.9695], [30, 0.9520], [40, 0.9303], [50, 0.9069], [60, 0.8825], [70, 0.8584], [80, 0.8342], [90, 0.8096],
        [100, 0.7855],
    ];
    /** Volume share in percent, mass share. */
    private const ETHANOL = [
        [0, 0.0], [10, 0.0801], [20, 0.1621], [30, 0.2461], [40, 0.3330], [50, 0.4243], [60, 0.5209], [70, 0.6239], [80, 0.7348], [90, 0.8566],
        [95, 0.9241], [96, 0.9384], [100, 1.0],
    ];
    private const ETHANOL_DENSITY = 0.78924;

    private function __construct(
        /** Of alcohol. */
        public float $massShare,
        /** g/mL. */
        public float $density,
    ) {
    }

    /** @param float $volumeShare 0 to 1 */
    public static function propanol(float $volumeShare): self
    {
        $pure = self::between(self::PROPANOL, 1.0);
        // The share of mass that gives so much alcohol in a volume; it grows with it, so halving finds it.
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < 60; ++$i) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $middle * self::between(self::PROPANOL, $middle) < $volumeShare * $pure ? [$middle, $high] : [$low, $middle];
        }

        return new self($low, self::between(self::PROPANOL, $low));
    }

    /** @param float $volumeShare 0 to 1 */
    public static function ethanol(float $volumeShare): self
    {
        $mass = self::between(self::ETHANOL, $volumeShare);

        return new self($mass, $mass < 1e-9 ? self::WATER : $volumeShare * self::ETHANOL_DENSITY / $mass);
    }

    /** @param non-empty-list<array{int, float}> $points by percent, rising */
    private static function between(array $points, float $share): float
    {
        [$before] = $points;
        foreach ($points as $point) {
            if ($point[0] >= 100 * $share && $point[0] > $before[0]) {
                return $before[1] + (100 * $share - $before[0]) / ($point[0] - $before[0]) * ($point[1] - $before[1]);
            }
            $before = $point;
        }

        return $before[1];
    }
}
