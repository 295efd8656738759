<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A figure was asked for that is not defined for the given numbers. */
final class InvalidArgument extends \DomainException
{
    public static function probability(float $p): self
    {
        return new self(\sprintf('A probability lies strictly between 0 and 1, not %s.', $p));
    }

    public static function degreesOfFreedom(float $df): self
    {
        return new self(\sprintf('Degrees of freedom are greater than 0, not %s.', $df));
    }

    public static function counts(int $successes, int $trials): self
    {
        return new self(\sprintf('%d of %d is not a count of successes among trials.', $successes, $trials));
    }

    public static function tooFew(int $n, int $needed): self
    {
        return new self(\sprintf('%d values are too few, at least %d are needed.', $n, $needed));
    }

    public static function noSpread(): self
    {
        return new self('All values of a group are the same, so there is no spread to test against.');
    }
}
