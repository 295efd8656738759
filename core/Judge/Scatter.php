<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Random\Randomizer;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Test\Criterion;

/** How the readings of a simulated setup scatter; each with mean 0 and standard deviation 1 before its scale rounds them. */
enum Scatter: string
{
    case Normal = 'normal';
    /** Log-normal with 0.5 in the logarithm: a tail of strong pulls. */
    case Skewed = 'skewed';
    /** 85 in 100 normal, the others six of its spreads weaker. */
    case WeakLink = 'weak_link';
    /** Normal, read in steps of 1/0.3 spreads with the limit between two steps. */
    case Coarse = 'coarse';

    private const LOG_SD = 0.5;
    private const WEAK_SHARE = 0.15;
    private const WEAKER_BY = 6.0;
    /** The step of a coarse scale, in spreads. */
    public const STEP = 1 / 0.3;

    public function draw(Randomizer $random): float
    {
        return match ($this) {
            self::Normal, self::Coarse => self::normal($random),
            self::Skewed => (exp(self::LOG_SD * self::normal($random)) - exp(self::LOG_SD ** 2 / 2))
                / sqrt((exp(self::LOG_SD ** 2) - 1) * exp(self::LOG_SD ** 2)),
            self::WeakLink => (self::normal($random) - (self::share($random) < self::WEAK_SHARE ? self::WEAKER_BY : 0.0)
                + self::WEAK_SHARE * self::WEAKER_BY) / self::weakSd(),
        };
    }

    /** What one reading in ten lies below. */
    public function tenth(): float
    {
        $z = Normal::quantile(1 - Criterion::NEARLY_ALL);

        return match ($this) {
            self::Normal, self::Coarse => $z,
            self::Skewed => (exp(self::LOG_SD * $z) - exp(self::LOG_SD ** 2 / 2)) / sqrt((exp(self::LOG_SD ** 2) - 1) * exp(self::LOG_SD ** 2)),
            // Two in three of the weak ones; of the others next to none lie there.
            self::WeakLink => (Normal::quantile((1 - Criterion::NEARLY_ALL) / self::WEAK_SHARE) - self::WEAKER_BY
                + self::WEAK_SHARE * self::WEAKER_BY) / self::weakSd(),
        };
    }

    /** A number at least 0 and below 1. */
    public static function share(Randomizer $random): float
    {
        return $random->getInt(0, 0xFFFFFFFFFFFFF) / 0x10000000000000;
    }

    /** A standard normal number, after Box & Muller (1958). */
    public static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log(1 - self::share($random))) * cos(2 * \M_PI * self::share($random));
    }

    private static function weakSd(): float
    {
        return sqrt(1 + self::WEAK_SHARE * (1 - self::WEAK_SHARE) * self::WEAKER_BY ** 2);
    }
}
