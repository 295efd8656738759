<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Statistics\StraightLine;
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
        $on = [];
        foreach ($samples as $each) {
            if ($each->milliseconds <= $peak->milliseconds && $each->forceN >= $from && $each->forceN <= $to) {
                $on[] = [$each->milliseconds / 1000, $each->forceN];
            }
        }

        return \count($on) < 2 ? null : StraightLine::of($on)?->slope;
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
