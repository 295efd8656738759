<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Random\Randomizer;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\Root;

/** How the readings of a simulated setup scatter; each with mean 0 and standard deviation 1 before its scale rounds or caps them. */
enum Scatter: string
{
    case Normal = 'normal';
    /** Normal, read in steps of 1/0.3 spreads with the limit between two steps. */
    case Coarse = 'coarse';
    /** Log-normal with 0.5 in the logarithm: a tail of strong pulls. */
    case RightSkewed = 'right_skewed';
    /** The same mirrored: a tail of weak pulls. */
    case LeftSkewed = 'left_skewed';
    /** Of shape 5. */
    case Weibull = 'weibull';
    /** Normal, read with a scale that ends half a spread above the limit. */
    case Capped = 'capped';
    /** Normal, two runs of a visit, with half of the variance between the visits. */
    case Visits = 'visits';
    /** 85 in 100 normal, the others six of its spreads weaker. */
    case WeakLink = 'weak_link';

    private const LOG_SD = 0.5;
    private const SHAPE = 5.0;
    /** Γ(1 + 1/5) and Γ(1 + 2/5), R: gamma(1.2), gamma(1.4). */
    private const WEIBULL_MEAN = 0.9181687423997607;
    private const WEIBULL_SQUARE = 0.8872638175030757;
    private const WEAK_SHARE = 0.15;
    private const WEAKER_BY = 6.0;
    /** The step of a coarse scale, in spreads. */
    public const STEP = 1 / 0.3;
    /** Where a scale ends, in spreads above the limit. */
    public const CAP = 0.5;
    public const RUNS_A_VISIT = 2;
    /** What a mean that the law does not say is, in spreads: a spread of a fifth is usual (common practice). */
    private const USUAL_MEAN = 5.0;
    /** So far above 0 that no tail reaches it. */
    private const FAR = 20.0;

    public function draw(Randomizer $random): float
    {
        return match ($this) {
            self::Normal, self::Coarse, self::Capped, self::Visits => self::normal($random),
            self::RightSkewed => self::logNormal(self::normal($random)),
            self::LeftSkewed => -self::logNormal(self::normal($random)),
            self::Weibull => self::weibull(1 - self::share($random)),
            self::WeakLink => (self::normal($random) - (self::share($random) < self::WEAK_SHARE ? self::WEAKER_BY : 0.0)
                + self::WEAK_SHARE * self::WEAKER_BY) / self::weakSd(),
        };
    }

    /** What a share of all readings lies below. */
    public function quantile(float $share): float
    {
        $z = Normal::quantile($share);

        return match ($this) {
            self::Normal, self::Coarse, self::Capped, self::Visits => $z,
            self::RightSkewed => self::logNormal($z),
            self::LeftSkewed => -self::logNormal(-$z),
            self::Weibull => self::weibull(1 - $share),
            self::WeakLink => (Root::between(
                static fn (float $at): float => self::WEAK_SHARE * Normal::cdf($at + self::WEAKER_BY) + (1 - self::WEAK_SHARE) * Normal::cdf($at) - $share,
                -2 * self::WEAKER_BY,
                self::WEAKER_BY,
            ) + self::WEAK_SHARE * self::WEAKER_BY) / self::weakSd(),
        };
    }

    /** How many spreads its mean lies above 0, where no pull is. */
    public function mean(): float
    {
        return match ($this) {
            self::RightSkewed => exp(self::LOG_SD ** 2 / 2) / self::logNormalSd(),
            self::LeftSkewed => self::FAR,
            self::Weibull => self::WEIBULL_MEAN / self::weibullSd(),
            default => self::USUAL_MEAN,
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

    private static function logNormal(float $z): float
    {
        return (exp(self::LOG_SD * $z) - exp(self::LOG_SD ** 2 / 2)) / self::logNormalSd();
    }

    private static function logNormalSd(): float
    {
        return sqrt((exp(self::LOG_SD ** 2) - 1) * exp(self::LOG_SD ** 2));
    }

    /** @param float $beyond the share of all readings that exceed it */
    private static function weibull(float $beyond): float
    {
        return ((-log($beyond)) ** (1 / self::SHAPE) - self::WEIBULL_MEAN) / self::weibullSd();
    }

    private static function weibullSd(): float
    {
        return sqrt(self::WEIBULL_SQUARE - self::WEIBULL_MEAN ** 2);
    }

    private static function weakSd(): float
    {
        return sqrt(1 + self::WEAK_SHARE * (1 - self::WEAK_SHARE) * self::WEAKER_BY ** 2);
    }
}
