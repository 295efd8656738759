<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\LogisticLine;

/**
 * What was said here against what happened, and what it teaches: chances are moved to what the like of them have come to. What
 * rests on practice errs in another way than what rests on many own prints, so each of three classes has a line of its own.
 * Penalties and classes are ours; docs/statistics.md has what the simulation of two hundred shops gives with them.
 */
final readonly class OwnRecord
{
    /** As many of a class are asked; what was said long ago was said with less knowledge. */
    public const LATELY = 400;
    /** Own evidence on holding, in runs, from which on a chance is of the next class. */
    private const SOME = 1.0;
    private const MUCH = 8.0;
    private const HOLD_ALPHA = 2.0;
    private const HOLD_BETA = 10.0;
    /** Less is not worth a word. */
    private const WORTH_SAYING = 0.01;

    /** @param array<int, LogisticLine> $lines by class */
    public function __construct(private array $lines = [])
    {
    }

    /** 0: practice alone, 1: some own evidence, 2: much of it. */
    public static function classOf(float $ownWorth): int
    {
        return $ownWorth < self::SOME ? 0 : ($ownWorth < self::MUCH ? 1 : 2);
    }

    /** @param list<Forecast> $forecasts of one class, as they were before any correction */
    public static function learn(array $forecasts): LogisticLine
    {
        return LogisticLine::fit($forecasts, self::HOLD_ALPHA, self::HOLD_BETA);
    }

    public function corrected(float $chance, float $ownWorth): float
    {
        $line = $this->lines[self::classOf($ownWorth)] ?? null;

        return null === $line ? $chance : $line->of($chance);
    }

    /** Whether a correction is worth a word. */
    public static function tells(float $before, float $after): bool
    {
        return abs($after - $before) >= self::WORTH_SAYING;
    }
}
