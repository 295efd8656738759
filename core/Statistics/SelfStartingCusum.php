<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * A cumulative sum over readings whose mean and spread are known from a few earlier ones only (Hawkins 1987, from memory): each
 * is held against all before it by Student's t, which is turned into the normal deviate of the same probability. While
 * nothing shifts these are independent and standard normal, however few readings came before, so the sum
 * S = max(0, S + u − ½) has the known run lengths: to a limit of 4 it takes 335 readings on average to a false alarm, and 8.4
 * to a right one where readings shift by one standard deviation and the mean was well known before.
 */
final readonly class SelfStartingCusum
{
    /** Half of the shift that is sought, in standard deviations. */
    private const SLACK = 0.5;
    /** A deviate beyond this is as good as any. */
    private const FARTHEST = 8.0;

    /** @param list<float> $path after each reading */
    private function __construct(
        public array $path,
        public float $limit,
        /** The reading that reached the limit first, from 0; null: none has. */
        public ?int $alarm,
    ) {
    }

    /**
     * @param int         $n        readings before, of which mean and standard deviation are known
     * @param list<float> $readings since, in their order
     * @param bool        $upwards  whether a rise is watched for; else a fall
     *
     * @throws InvalidArgument if there were fewer than 3 before, or if they did not vary
     */
    public static function of(int $n, float $mean, float $sd, array $readings, bool $upwards, float $limit): self
    {
        ($n >= 3 && $sd > 0) || throw InvalidArgument::counts($n, 3);
        $squares = $sd ** 2 * ($n - 1);
        $sum = 0.0;
        $path = [];
        $alarm = null;
        foreach ($readings as $i => $reading) {
            $t = ($reading - $mean) / sqrt($squares / ($n - 1)) * sqrt($n / ($n + 1));
            $p = (new StudentT($n - 1))->cdf($t);
            $deviate = $p <= 0.0 || $p >= 1.0 ? ($t < 0 ? -self::FARTHEST : self::FARTHEST) : Normal::quantile($p);
            $sum = max(0.0, $sum + ($upwards ? $deviate : -$deviate) - self::SLACK);
            $path[] = $sum;
            $alarm ??= $sum >= $limit ? $i : null;
            // The running mean and sum of squares (Welford 1962).
            $off = $reading - $mean;
            ++$n;
            $mean += $off / $n;
            $squares += $off * ($reading - $mean);
        }

        return new self($path, $limit, $alarm);
    }
}
