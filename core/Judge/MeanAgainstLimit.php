<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\StudentT;

/**
 * A mean against a limit: clear when its one-sided 95 % bound is on the right side, missed when the other bound is on
 * the wrong side, else not yet known, with the runs that would settle it if mean and spread stay as they are.
 */
final readonly class MeanAgainstLimit
{
    public const CONFIDENCE = 0.95;
    /** Beyond this many readings the mean lies too near the limit to be worth testing on. */
    private const MOST_READINGS = 60;

    private function __construct(
        /** @var Answer yes: above the limit */
        public Answer $above,
        public ?float $lowerBound,
        public ?float $upperBound,
        /** Further readings that would settle it; null if settled or out of reach. */
        public ?int $moreReadings,
    ) {
    }

    public static function of(Sample $sample, float $limit): self
    {
        $low = $sample->lowerBound(self::CONFIDENCE);
        $high = $sample->upperBound(self::CONFIDENCE);
        if (null === $low || null === $high || null === $sample->mean || null === $sample->sd) {
            return new self(Answer::NotYet, null, null, 2 - $sample->n);
        }
        if ($low >= $limit) {
            return new self(Answer::Yes, $low, $high, null);
        }
        if ($high < $limit) {
            return new self(Answer::No, $low, $high, null);
        }
        $gap = abs($sample->mean - $limit);
        for ($n = $sample->n + 1; $n <= self::MOST_READINGS; ++$n) {
            if ((new StudentT($n - 1))->quantile(self::CONFIDENCE) * $sample->sd / sqrt($n) <= $gap) {
                return new self(Answer::NotYet, $low, $high, $n - $sample->n);
            }
        }

        return new self(Answer::NotYet, $low, $high, null);
    }
}
