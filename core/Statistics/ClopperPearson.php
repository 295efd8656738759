<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** The exact two-sided interval of a rate (Clopper & Pearson 1934). */
final readonly class ClopperPearson
{
    /** @throws InvalidArgument if the counts do not fit, or there were no trials */
    public static function interval(int $successes, int $trials, float $confidence = 0.95): Interval
    {
        if ($trials < 1 || $successes < 0 || $successes > $trials) {
            throw InvalidArgument::counts($successes, $trials);
        }
        $tail = (1 - $confidence) / 2;
        $failures = $trials - $successes;

        return new Interval(
            0 === $successes ? 0.0 : (new Beta($successes, $failures + 1))->quantile($tail),
            0 === $failures ? 1.0 : (new Beta($successes + 1, $failures))->quantile(1 - $tail),
        );
    }
}
