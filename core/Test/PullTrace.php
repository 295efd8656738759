<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** The record of one pull: its peak, and whether the peak is the force that let go or only a lower bound. */
final readonly class PullTrace
{
    /** A gauge reads its top to within half a percent (common practice). */
    private const TOPPED_OUT = 0.995;
    /** Below it the hook is still taking up its slack (ours). */
    private const SLACK = 0.05;
    /** Between these shares of the peak a pull rises evenly (ours). */
    private const RISE = [0.2, 0.8];

    private function __construct(
        public float $peakN,
        public int $peakAtMilliseconds,
        public bool $toppedOut,
        /** The force fell back by half after the peak: something gave way. */
        public bool $gaveWay,
        /** When the force began to rise for good. */
        public int $onsetMilliseconds,
        /** By which the force rose, N/s, by least squares; null: too few samples on the way. */
        public ?float $riseNPerS,
    ) {
    }

    /**
     * @param list<PullSample> $samples in order of time
     * @param float            $rangeN  the most that the gauge can show
     *
     * @throws BadReading if there is no pull in the samples
     */
    public static function of(array $samples, float $rangeN): self
    {
        $peak = null;
        foreach ($samples as $sample) {
            if (null === $peak || $sample->forceN > $peak->forceN) {
                $peak = $sample;
            }
        }
        if (null === $peak || $peak->forceN <= 0) {
            throw BadReading::value(Measure::PullHot, Sentence::of('reading.wanted.pulled'));
        }
        $last = $samples[\count($samples) - 1];

        return new self(
            $peak->forceN,
            $peak->milliseconds,
            $peak->forceN >= self::TOPPED_OUT * $rangeN,
            $last->forceN < 0.5 * $peak->forceN,
            self::onset($samples, $peak),
            self::rise($samples, $peak),
        );
    }

    /** @param list<PullSample> $samples */
    private static function onset(array $samples, PullSample $peak): int
    {
        $onset = $peak->milliseconds;
        foreach ($samples as $sample) {
            if ($sample->milliseconds > $peak->milliseconds) {
                break;
            }
            // A jerk that fell back was not yet the pull.
            $onset = $sample->forceN < self::SLACK * $peak->forceN ? $peak->milliseconds : min($onset, $sample->milliseconds);
        }

        return $onset;
    }

    /** @param list<PullSample> $samples */
    private static function rise(array $samples, PullSample $peak): ?float
    {
        [$from, $to] = [self::RISE[0] * $peak->forceN, self::RISE[1] * $peak->forceN];
        $on = array_values(array_filter(
            $samples,
            static fn (PullSample $each): bool => $each->milliseconds <= $peak->milliseconds && $each->forceN >= $from && $each->forceN <= $to,
        ));
        $n = \count($on);
        if ($n < 2) {
            return null;
        }
        $meanT = array_sum(array_map(static fn (PullSample $each): float => $each->milliseconds / 1000, $on)) / $n;
        $meanF = array_sum(array_map(static fn (PullSample $each): float => $each->forceN, $on)) / $n;
        $tt = $tf = 0.0;
        foreach ($on as $each) {
            $tt += ($each->milliseconds / 1000 - $meanT) ** 2;
            $tf += ($each->milliseconds / 1000 - $meanT) * ($each->forceN - $meanF);
        }

        return $tt > 0 ? $tf / $tt : null;
    }

    /**
     * The reading of the pull.
     *
     * @param bool $partBroke whether the part broke before the plate let go
     */
    public function reading(PullKind $pull, bool $partBroke): Reading
    {
        return new Reading($pull->measure(), $this->peakN, $partBroke || $this->toppedOut);
    }
}
