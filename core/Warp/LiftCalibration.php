<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/**
 * What own runs on a setup say about the sums: how many times more it lifts than a free bar would curl by the model, at
 * which reckoned margin lifting begins here, and down to which margin nothing lifted.
 */
final readonly class LiftCalibration
{
    /** From here on a reading is a lift and no noise of the calliper, mm (common practice: 0.1 mm is good). */
    public const LIFT_FROM_MM = 0.1;
    private const NEEDED = 3;

    private function __construct(
        public int $readings,
        public int $lifted,
        /** Measured lift ÷ free curl by the model; null with fewer than three readings. */
        public ?float $timesTheModel,
        /** Geometric mean of the reckoned margins of what lifted; null if too little did. */
        public ?float $marginWhereItLifts,
        /** The lowest reckoned margin below 1 at which all of three or more runs held: the pull is no more than that. */
        public ?float $heldAtMargin,
        /** Runs that held there. */
        public int $heldRuns,
    ) {
    }

    /**
     * Of runs with like pieces: lift readings, how many of them lifted, their sum, the free curl and margin that the sums give
     * for the piece, and how many runs held.
     *
     * @param list<array{readings: int, lifted: int, sumMm: float, curlMm: float, margin: float, runs: int, held: int}> $groups
     *
     * @return self|null null if they say nothing
     */
    public static function of(array $groups): ?self
    {
        $readings = $lifted = $heldRuns = 0;
        $sum = $curl = $logs = 0.0;
        $heldAt = null;
        foreach ($groups as $group) {
            $readings += $group['readings'];
            $sum += $group['sumMm'];
            $curl += $group['readings'] * $group['curlMm'];
            if ($group['margin'] > 0) {
                $lifted += $group['lifted'];
                $logs += $group['lifted'] * log($group['margin']);
            }
            if ($group['margin'] > 0
                && $group['margin'] < ($heldAt ?? 1.0)
                && 0 === $group['lifted']
                && $group['runs'] >= self::NEEDED
                && $group['held'] === $group['runs']
            ) {
                [$heldAt, $heldRuns] = [$group['margin'], $group['held']];
            }
        }
        $times = $readings >= self::NEEDED && $curl > 0 ? $sum / $curl : null;

        return null === $times && null === $heldAt ? null : new self(
            $readings,
            $lifted,
            $times,
            null !== $times && $lifted >= self::NEEDED ? exp($logs / $lifted) : null,
            $heldAt,
            $heldRuns,
        );
    }

    /** By how much the pull of the sums is to be taken. */
    public function scale(): float
    {
        return $this->marginWhereItLifts ?? $this->heldAtMargin ?? 1.0;
    }
}
