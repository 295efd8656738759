<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * How good forecasts were: the mean square of what was said less what happened (Brier 1950), and in bins of the chance that
 * was said how often it came true.
 */
final readonly class ForecastScore
{
    /** What was said to be certain and failed would have no score by its logarithm: it counts as one in a million. */
    private const SUREST = 1 - 1e-6;

    /** @param list<ForecastBin> $bins those with any, the lowest first */
    private function __construct(
        public int $n,
        public int $happened,
        public float $brier,
        /** The mean of −ln of what was said of what came (Good 1952). */
        public float $log,
        /** Of who always says the share that came true: n/N·(1 − n/N), the uncertainty of Murphy (1973). */
        public float $baseRateBrier,
        public array $bins,
    ) {
    }

    /** Of all, how many came true, 0 to 1. */
    public function share(): float
    {
        return $this->happened / $this->n;
    }

    /**
     * @param list<Forecast> $forecasts
     * @param float          $width     of a bin
     *
     * @return self|null null: there are none
     */
    public static function of(array $forecasts, float $width = 0.1): ?self
    {
        $n = \count($forecasts);
        if (0 === $n) {
            return null;
        }
        $square = $log = 0.0;
        $happened = 0;
        $bins = [];
        $last = (int) round(1 / $width) - 1;
        foreach ($forecasts as $each) {
            $square += ($each->said - ($each->happened ? 1 : 0)) ** 2;
            $log -= log(max(1 - self::SUREST, $each->happened ? $each->said : 1 - $each->said));
            $happened += (int) $each->happened;
            $bin = max(0, min($last, (int) floor($each->said / $width + 1e-9)));
            $bins[$bin] = [($bins[$bin][0] ?? 0) + 1, ($bins[$bin][1] ?? 0) + (int) $each->happened, ($bins[$bin][2] ?? 0.0) + $each->said];
        }
        ksort($bins);
        $rate = $happened / $n;

        return new self($n, $happened, $square / $n, $log / $n, $rate * (1 - $rate), array_map(
            static fn (int $bin, array $sums): ForecastBin => new ForecastBin(
                $bin * $width,
                ($bin + 1) * $width,
                $sums[0],
                $sums[1],
                $sums[2] / $sums[0],
                ClopperPearson::interval($sums[1], $sums[0]),
            ),
            array_keys($bins),
            $bins,
        ));
    }
}
