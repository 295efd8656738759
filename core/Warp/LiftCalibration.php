<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/**
 * What own lift readings on a setup say about the sums: how many times more it lifts than a free bar would curl by the
 * model, and at which reckoned margin lifting begins here.
 */
final readonly class LiftCalibration
{
    /** From here on a reading is a lift and no noise of the calliper, mm (common practice: 0.1 mm is good). */
    public const LIFT_FROM_MM = 0.1;
    private const NEEDED = 3;

    private function __construct(
        public int $readings,
        public int $lifted,
        /** Measured lift ÷ free curl by the model. */
        public float $timesTheModel,
        /** Geometric mean of the reckoned margins of what lifted; null if too little did. */
        public ?float $marginWhereItLifts,
    ) {
    }

    /**
     * @param list<array{readings: int, lifted: int, sumMm: float, curlMm: float, margin: float}> $groups readings on like
     *                                                                                                    pieces: how many, how many of them lifted, their sum, and the free curl and margin that the sums give for the piece
     *
     * @return self|null null with fewer than three readings, or if nothing drives them
     */
    public static function of(array $groups): ?self
    {
        $readings = $lifted = 0;
        $sum = $curl = $logs = 0.0;
        foreach ($groups as $group) {
            $readings += $group['readings'];
            $sum += $group['sumMm'];
            $curl += $group['readings'] * $group['curlMm'];
            if ($group['margin'] > 0) {
                $lifted += $group['lifted'];
                $logs += $group['lifted'] * log($group['margin']);
            }
        }
        if ($readings < self::NEEDED || $curl <= 0) {
            return null;
        }

        return new self($readings, $lifted, $sum / $curl, $lifted >= self::NEEDED ? exp($logs / $lifted) : null);
    }
}
