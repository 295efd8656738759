<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A figure was asked for that is not defined for the given numbers; the message says the reason, the bound and what was given. */
final class InvalidArgument extends \DomainException
{
    /** @param string $reason in short, for whoever words it */
    private function __construct(public readonly string $reason, string $figures)
    {
        parent::__construct("$reason: $figures");
    }

    /** Strictly between 0 and 1. */
    public static function probability(float $p): self
    {
        return new self('probability', '0 < p < 1, p = '.self::plain($p));
    }

    /** Greater than 0. */
    public static function degreesOfFreedom(float $df): self
    {
        return new self('degrees_of_freedom', 'df > 0, df = '.self::plain($df));
    }

    /** Of successes among trials. */
    public static function counts(float $successes, float $trials): self
    {
        return new self('counts', \sprintf('0 <= k <= %s, k = %s', self::plain($trials), self::plain($successes)));
    }

    public static function tooFew(int $n, int $needed): self
    {
        return new self('too_few', "n >= $needed, n = $n");
    }

    public static function notPositive(float $value): self
    {
        return new self('not_positive', 'x > 0, x = '.self::plain($value));
    }

    /** All values of a group are the same, so there is nothing to test against. */
    public static function noSpread(int $n): self
    {
        return new self('no_spread', "min < max, n = $n");
    }

    /** More than can be counted or drawn while somebody waits. */
    public static function tooMany(int $n, int $most): self
    {
        return new self('too_many', "n <= $most, n = $n");
    }

    /** As short as it can be told from its neighbours; what is no number by its name. */
    private static function plain(float $value): string
    {
        return is_finite($value) ? (string) json_encode($value, \JSON_THROW_ON_ERROR) : var_export($value, true);
    }
}
