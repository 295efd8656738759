<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** The record of one pull: its peak, and whether the peak is the force that let go or only a lower bound. */
final readonly class PullTrace
{
    /** A gauge reads its top to within half a percent (common practice). */
    private const TOPPED_OUT = 0.995;

    private function __construct(
        public float $peakN,
        public int $peakAtMilliseconds,
        public bool $toppedOut,
        /** The force fell back by half after the peak: something gave way. */
        public bool $gaveWay,
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
        );
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
