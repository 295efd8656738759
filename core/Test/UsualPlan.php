<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** Where a plan starts: a small pull block, as is common practice (trade notes, sections 6 and 7); everything can be changed. */
final class UsualPlan
{
    /** Enough for the 80/90 acceptance plan, half of it hot. */
    public const RUNS_PER_SETUP = 12;
    public const NOZZLE_MM = 0.4;
    public const NOZZLE_FIRST_C = 215.0;
    public const LINE_WIDTH_MM = 0.45;
    /** Slow is advised by most (trade notes, section 6). */
    public const FIRST_LAYER_MM_S = 20.0;
    /** Folded note paper. */
    public const GAP_MM = 0.1;
    /** On the usual block this is 0.17 MPa: what a part of a few grams needs with room to spare. */
    public const HOT_PULL_AT_LEAST_N = 20.0;
    /** A hand still pulls this without a tool. */
    public const COLD_PULL_AT_MOST_N = 12.0;
    /** Good for a bar; from twice that it is bad (trade notes, section 8). */
    public const LIFT_AT_MOST_MM = 0.1;
    /** Four runs in five: what a first look asks; a profile may ask for more. */
    public const SHARE = 0.8;
    /** Of a hanging scale. */
    public const SCALE_STEP_N = 0.1;

    /** Its name is left to whoever says it. 6 × 20 mm, small on purpose so that it can be broken off. */
    public static function piece(): TestPiece
    {
        return new TestPiece('', 20, 6, 8);
    }

    /**
     * For lift: long and narrow, with a point at one end (common practice). 100 × 8 mm, of which the point of 15 mm takes half of
     * its own; its name is left to whoever says it.
     */
    public static function warpBar(): TestPiece
    {
        return new TestPiece('', 100, 8, 15, 100 * 8 - 15 * 8 / 2);
    }

    public static function durations(): RunDurations
    {
        return new RunDurations(4, 8, 25, 20, 5, 6);
    }

    /** Pulls tell more than counts in few runs, and nobody knows the law they follow; without an instrument only counts are left. */
    public static function criterion(bool $pulls): Criterion
    {
        return $pulls ? Criterion::WithoutLaw : Criterion::Counts;
    }

    public static function effortAtMost(): Effort
    {
        return Effort::Flex;
    }
}
