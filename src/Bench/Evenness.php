<?php

declare(strict_types=1);

namespace App\Bench;

/**
 * How evenly the machine works: the same reads all over a memory about as large as what an answer is made from, again and again.
 * Who shares the machine shares its caches and its way to memory, and what is measured then is that.
 */
final class Evenness
{
    /** Up to here a machine is taken to be to itself (ours). */
    public const QUIET = 1.3;
    private const BYTES = 1 << 24;
    private const READS = 100_000;
    private const TIMES = 60;

    /** @return float the 95th percentile of the times ÷ the least of them; 1: nobody else is there */
    public static function measure(): float
    {
        $memory = random_bytes(self::BYTES);
        $times = [];
        for ($i = 0; $i < self::TIMES; ++$i) {
            $began = hrtime(true);
            $at = 0;
            for ($j = 0; $j < self::READS; ++$j) {
                // A step of its own each time, so that none is foreseen.
                $at = ($at * 1_103_515_245 + 12_345 + \ord($memory[$at])) & self::BYTES - 1;
            }
            $times[] = (hrtime(true) - $began) / 1e6;
        }

        return ApiLoad::p95($times) / min($times);
    }
}
