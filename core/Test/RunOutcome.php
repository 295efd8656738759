<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * What one run says to one question, of whether it held or of how it came off. Only *passed* counts for the answer; only *failed*
 * counts as shown to be bad. What is open or was never said counts against whichever answer is to be shown: as a failure where
 * "yes" is, as a success where "no" is (dropped, 5 % of prints that were all failures make a false "yes" in 16 to 47 %).
 */
enum RunOutcome: string
{
    case Passed = 'passed';
    case Failed = 'failed';
    /** A reading leaves it open: "at least" below the limit, or too near the limit for its instrument. */
    case Open = 'open';
    /** Nobody said it, or it was not taken. */
    case Unsaid = 'unsaid';

    /** Of parts that stand for one: a failure is one whatever else is known, and what is missing may be one. */
    public function and(self $other): self
    {
        foreach ([self::Failed, self::Unsaid, self::Open] as $worse) {
            if ($this === $worse || $other === $worse) {
                return $worse;
            }
        }

        return self::Passed;
    }

    /** Of a value that is known to lie in a range, against a lower limit (at least) or an upper one (at most). */
    public static function ofRange(float $low, float $high, float $limit, bool $atLeast): self
    {
        return match (true) {
            $atLeast ? $low >= $limit : $high <= $limit => self::Passed,
            $atLeast ? $high < $limit : $low > $limit => self::Failed,
            default => self::Open,
        };
    }
}
