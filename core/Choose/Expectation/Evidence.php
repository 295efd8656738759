<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Words\Sentence;

/** So many own runs of one likeness, how many of them succeeded, and what they count for. */
final readonly class Evidence
{
    public function __construct(
        public Likeness $likeness,
        public int $successes,
        public int $runs,
        /** Runs that the successes are worth, after what was unlike and what was shorter. */
        public float $worthOfSuccesses,
        public float $worthOfFailures,
        /** Made with no fewer parts on the plate than the job has: they speak for the plate as a whole. */
        public bool $wholePlate = false,
    ) {
    }

    /** What they were, so that those of full plates and those of fewer parts are told apart. */
    public function words(): Sentence
    {
        return $this->wholePlate ? $this->likeness->words() : Sentence::of('likeness.fewer_parts', likeness: $this->likeness->words());
    }

    /** What all of them are worth, in runs. */
    public function worth(): float
    {
        return $this->worthOfSuccesses + $this->worthOfFailures;
    }
}
