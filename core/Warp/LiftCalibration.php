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
     * @param list<array{liftMm: float, curlMm: float, margin: float}> $readings
     *
     * @return self|null null with fewer than three readings, or if nothing drives them
     */
    public static function of(array $readings): ?self
    {
        $curl = array_sum(array_column($readings, 'curlMm'));
        if (\count($readings) < self::NEEDED || $curl <= 0) {
            return null;
        }
        $lifted = array_values(array_filter($readings, static fn (array $r): bool => $r['liftMm'] >= self::LIFT_FROM_MM && $r['margin'] > 0));
        $logs = array_map(static fn (array $r): float => log($r['margin']), $lifted);

        return new self(
            \count($readings),
            \count($lifted),
            array_sum(array_column($readings, 'liftMm')) / $curl,
            \count($lifted) >= self::NEEDED ? exp(array_sum($logs) / \count($logs)) : null,
        );
    }
}
