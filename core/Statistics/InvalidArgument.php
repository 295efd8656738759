<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** A figure was asked for that is not defined for the given numbers; the message is the reason in short. */
final class InvalidArgument extends \DomainException
{
    /** Strictly between 0 and 1. */
    public static function probability(float $p): self
    {
        return new self('probability');
    }

    /** Greater than 0. */
    public static function degreesOfFreedom(float $df): self
    {
        return new self('degrees_of_freedom');
    }

    /** Of successes among trials. */
    public static function counts(int $successes, int $trials): self
    {
        return new self('counts');
    }

    public static function tooFew(int $n, int $needed): self
    {
        return new self('too_few');
    }

    public static function notPositive(): self
    {
        return new self('not_positive');
    }

    /** All values of a group are the same, so there is nothing to test against. */
    public static function noSpread(): self
    {
        return new self('no_spread');
    }

    /** More than can be counted or drawn while somebody waits. */
    public static function tooMany(): self
    {
        return new self('too_many');
    }
}
