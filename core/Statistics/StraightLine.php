<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** The straight line through points by least squares. */
final readonly class StraightLine
{
    private function __construct(
        /** Where it stands at nought. */
        public float $level,
        public float $slope,
    ) {
    }

    /**
     * @param non-empty-list<array{float, float}> $points
     *
     * @return self|null null: the points do not differ along the line
     */
    public static function of(array $points): ?self
    {
        $n = \count($points);
        $meanX = array_sum(array_column($points, 0)) / $n;
        $meanY = array_sum(array_column($points, 1)) / $n;
        $xx = $xy = 0.0;
        foreach ($points as [$x, $y]) {
            $xx += ($x - $meanX) ** 2;
            $xy += ($x - $meanX) * ($y - $meanY);
        }

        return $xx > 0.0 ? new self($meanY - $xy / $xx * $meanX, $xy / $xx) : null;
    }
}
